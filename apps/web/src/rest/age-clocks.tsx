import { t } from '@lingui/core/macro';
import { ageOfLot, clocksOf, type AgeRules, type LifeClock, type LotState } from '@jokul/core';
import { useNow } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Fact, Facts, WhySection } from '../line/station';

export const clockWords: Readonly<Record<LifeClock['clock'], string>> = {
  chilled: t`Chilled and out`,
  frozen: t`Frozen`,
  out: t`Out of the cold`,
};

const minutes = (seconds: number) => Math.round(seconds / 60) * 60;

/** How old a dough is by each of its clocks, over all its stays. */
export const AgeClocks = ({
  lot,
  rules,
  placeName,
}: {
  lot: LotState;
  rules: AgeRules;
  placeName: (id: string) => string;
}) => {
  const now = useNow(20_000);
  const { duration, mass } = useUnits();
  const old = lot.merged.filter(({ age: then }) => then !== undefined);
  const age = ageOfLot(lot, rules.kindOf, now);
  const clocks = clocksOf(lot, rules, now);
  if (age.stays === 0 && age.outS < 60) return null;
  return (
    <WhySection title={t`Age`}>
      <Facts>
        {clocks.map(({ clock, ageS, limitS, leftS }) => (
          <Fact key={clock} name={clockWords[clock]}>
            <span className={leftS < 0 ? 'font-semibold text-hand' : ''}>
              {t`${duration(minutes(ageS))} of ${duration(limitS)}`}
            </span>
          </Fact>
        ))}
        {Object.entries(age.byPlace).map(([placeId, seconds]) => (
          <Fact key={placeId} name={t`in the ${placeName(placeId).toLowerCase()}`}>
            {duration(minutes(seconds))}
          </Fact>
        ))}
        <Fact name={t`times put away`}>{age.stays}</Fact>
      </Facts>
      {old.map(({ from, massG, entryId }) => (
        <p key={entryId} className="mt-1 text-[13.5px] text-ink-soft">
          {t`${mass(massG)} of ${from} were worked in. The clocks are those of the oldest dough in the bowl.`}
        </p>
      ))}
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`All times add up: a dough that was out and goes back does not start anew. Time out counts for the chilled clock too; frozen, that one stands still.`}</p>
    </WhySection>
  );
};
