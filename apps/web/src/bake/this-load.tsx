import { t } from '@lingui/core/macro';
import {
  marginsOf,
  openSidesOf,
  rawDiameterMm,
  trayKindOf,
  type BakeResult,
  type BatchPlan,
  type Formula,
  type Layout,
  type Load,
  type Oven,
  type Room,
} from '@jokul/core';
import { useJournal } from '../journal/store';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';
import { DonenessBar } from '../viz/doneness-bar';
import { patternWords } from '../viz/pattern-words';
import { TrayPicture } from '../viz/tray-picture';
import { BakeCurve } from './bake-curve';
import { TestBake } from './test-bake';
import { TrayWays } from './tray-ways';
import type { Conditions } from './use-conditions';

interface ThisLoadProps {
  readonly batch: BatchPlan;
  readonly load: Load;
  readonly formula: Formula;
  readonly oven: Oven;
  readonly bake: BakeResult;
  readonly layout: Layout;
  readonly base: Conditions;
  readonly pullS: number;
}

/** What was seen of the gap on this product's trays, the latest last. */
const useSeenGaps = (code: string): readonly Room[] => {
  const trays = useJournal((s) => s.floor.trays);
  return [...trays.values()]
    .filter(({ batchId }) => batchId.startsWith(`${code}-`))
    .flatMap(({ inspected }) => (inspected?.room ? [{ atMs: inspected.atMs, room: inspected.room }] : []))
    .sort((a, b) => a.atMs - b.atMs)
    .map(({ room }) => room);
};

/** The tray to scale with its other ways to be laid, and the temperatures of the piece. */
const TrayAndCurve = ({
  load,
  formula,
  bake,
  layout,
  startC,
}: Pick<ThisLoadProps, 'load' | 'formula' | 'bake' | 'layout'> & { startC: number }) => {
  const { data } = useBakery();
  const { mass, length } = useUnits();
  const seen = useSeenGaps(formula.code);
  if (!data) return null;
  const tray = trayKindOf(data.equipment, data.rules);
  const diameterMm = bake.cooled?.diameterMm ?? 80;
  const rawMm = rawDiameterMm(formula);
  return (
    <div className="mt-3 grid grid-cols-2 gap-5 max-[1150px]:grid-cols-1">
      <section>
        <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">
          {t`The tray: ${layout.count} of ${mass(formula.piece.massG)}, ${patternWords[layout.pattern]}, gap ${length(formula.bake.gapMm)}`}
        </h2>
        <TrayPicture
          lengthMm={tray.lengthMm}
          widthMm={tray.widthMm}
          layout={layout}
          diameterMm={diameterMm}
          rawDiameterMm={rawMm}
          margins={marginsOf(data.rules.trayMarginMm, openSidesOf(tray))}
          pieces={load.trays[0]?.pieces ?? 0}
          startC={startC}
        />
        <p className="text-[12.5px] text-ink-faint">{t`The rule is ${length(100)}. Filled: as set down. Ring: after the spread.`}</p>
        <TrayWays
          loadId={load.id}
          template={{
            title: `${formula.name}, ${tray.name}`,
            lengthMm: tray.lengthMm,
            widthMm: tray.widthMm,
            layout,
            rawDiameterMm: rawMm,
            diameterMm,
          }}
          gapMm={formula.bake.gapMm}
          marginMm={data.rules.trayMarginMm}
          openSides={openSidesOf(tray)}
          diameterShare={bake.uncertainty.diameterShare}
          seen={seen}
        />
      </section>
      <section>
        <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">{t`Temperatures, oven to rack`}</h2>
        <BakeCurve bake={bake} />
      </section>
    </div>
  );
};

/** The load as it is planned: its pull times, its tray, and a few pieces as a test. */
export const ThisLoad = ({ batch, load, formula, oven, bake, layout, base, pullS }: ThisLoadProps) => {
  const { data } = useBakery();
  if (!data) return null;
  const tray = trayKindOf(data.equipment, data.rules);
  return (
    <>
      <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">{t`What each pull time gives`}</h2>
      <DonenessBar
        windows={bake.windows}
        pullS={bake.pull?.value ?? null}
        toleranceS={bake.uncertainty.pullS}
      />
      <TrayAndCurve load={load} formula={formula} bake={bake} layout={layout} startC={base.start} />
      <TestBake
        batch={batch}
        load={load}
        formula={formula}
        oven={oven}
        startC={base.start}
        pullS={pullS}
        diameterMm={bake.cooled?.diameterMm ?? 80}
        layout={layout}
        tray={tray}
        margins={marginsOf(data.rules.trayMarginMm, openSidesOf(tray))}
      />
    </>
  );
};
