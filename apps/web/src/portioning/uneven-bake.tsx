import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { ruledBy, timeSpread, type Equipment, type Formula, type HouseRules } from '@jokul/core';
import { useUnits } from '../lib/units';
import { core } from '../workers/core';
import { Shown } from '../ui/shown';

/** What uneven pieces do to the bake: computed by the bake model from two weights. */
export const UnevenBake = ({
  formula,
  samplesG,
  equipment,
  rules,
}: {
  formula: Formula;
  samplesG: readonly number[];
  equipment: Equipment;
  rules: HouseRules;
}) => {
  const { duration } = useUnits();
  const fan = equipment.ovens.some((oven) => oven.fan) && formula.bake.fan;
  const tray = equipment.trays.find(({ id }) => id === rules.trayId)?.material ?? 'bright-aluminium';
  const ruled = ruledBy(rules, formula, equipment);
  const exponent = useQuery({
    queryKey: ['mass-exponent', formula.code, formula.version, fan, tray, rules.readyCoreC, ruled],
    queryFn: () =>
      core().massExponent(formula, {
        start: rules.readyCoreC,
        tray,
        ...ruled,
        fan,
        setC: formula.bake.setC,
      }),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
    enabled: samplesG.length > 1,
  });
  if (samplesG.length < 2) return <p className="text-ink-soft">{t`Weigh some pieces to see it.`}</p>;
  if (exponent.isPending) return <p className="text-ink-soft">{t`Computing …`}</p>;
  if (!exponent.data) return <p className="text-ink-soft">{t`The bake model has no pull for this piece.`}</p>;
  const spread = timeSpread(samplesG, formula.piece.massG, exponent.data.pullS, exponent.data.exponent);
  if (!spread) return null;
  const halfS = Math.abs(spread.heaviest.value - spread.lightest.value) / 2;
  const say = (s: number) => duration(Math.round(s / 5) * 5);
  return (
    <p>
      <Trans>
        The lightest wants <Shown figure={spread.lightest}>{say(spread.lightest.value)}</Shown>, the heaviest{' '}
        <Shown figure={spread.heaviest}>{say(spread.heaviest.value)}</Shown>: ± {say(halfS)} on one tray.
      </Trans>{' '}
      {halfS > 45
        ? t`That is too much for one pull: sort them, or even them out.`
        : t`One pull fits them all.`}
    </p>
  );
};
