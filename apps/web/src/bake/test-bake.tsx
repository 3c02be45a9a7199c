import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import {
  placesOf,
  openActions,
  rawDiameterMm,
  testTray,
  type BatchPlan,
  type Formula,
  type Layout,
  type Load,
  type Margins,
  type Oven,
  type TrayState,
} from '@jokul/core';
import { useBakery } from '../lib/queries';
import { record, useJournal } from '../journal/store';
import { PullChanges } from '../learning/pull-changes';
import { countdown, useNow, useWallClock } from '../lib/clock';
import { useCalibration, useCalibrationStep, useDayDate } from '../lib/queries';
import { useUnits } from '../lib/units';
import { doTrayAction, verb } from '../line/actions';
import { useLots } from '../line/lots';
import { InspectTray } from '../log/inspect-tray';
import { Button, buttonClass } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { TrayPicture } from '../viz/tray-picture';
import { FewFields, useFew, WhatToMeasure } from './few-fields';

interface TestBakeProps {
  readonly batch: BatchPlan;
  readonly load: Load;
  readonly formula: Formula;
  readonly oven: Oven;
  readonly startC: number;
  readonly pullS: number;
  readonly diameterMm: number;
  readonly layout: Layout;
  readonly tray: { readonly lengthMm: number; readonly widthMm: number };
  readonly margins: Margins;
}
/** A few pieces into the oven first. */
const Begin = (props: TestBakeProps & { readonly onClose: () => void }) => {
  const { batch, load, formula, oven, onClose, layout, tray, margins, diameterMm } = props;
  const { duration, temperature } = useUnits();
  const places = placesOf(oven, useBakery().data?.rules.trayId ?? '');
  const few = useFew(places, props.startC);
  const { count, startC, position, wrong } = few;
  const begin = () => {
    const trayId = `${load.id}-test-T${position}`;
    record('loaded', batch.batchId, {
      loadId: `${load.id}-test`,
      trayIds: [trayId],
      ovenId: oven.id,
      setC: load.setC,
      pullS: Math.round(props.pullS),
      trayRestS: formula.bake.trayRestS,
      pieces: [count],
      positions: [Number(position)],
      startC,
      test: true,
    });
    onClose();
  };
  const laid = testTray(layout, tray.lengthMm, tray.widthMm, few.wrongCount ? 4 : count);
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={t`A few ${formula.name} first`}
      lead={t`In ${oven.name} at ${temperature(load.setC)}, pulled after ${duration(Math.round(props.pullS / 5) * 5)}. It shows spread and time before the whole list is baked.`}
    >
      <form
        className="grid grid-cols-[1fr_15rem] gap-5 max-[700px]:grid-cols-1"
        onSubmit={(event) => {
          event.preventDefault();
          if (!wrong) begin();
        }}
      >
        <TrayPicture
          lengthMm={tray.lengthMm}
          widthMm={tray.widthMm}
          layout={laid}
          diameterMm={diameterMm}
          rawDiameterMm={rawDiameterMm(formula)}
          margins={margins}
          pieces={laid.count}
          startC={startC || 7}
        />
        <FewFields few={few} places={places} />
        <div className="col-span-full">
          <WhatToMeasure />
          <div className="mt-4 flex justify-end gap-2">
            <Button onClick={onClose}>{t`Not now`}</Button>
            <Button type="submit" look="primary" disabled={wrong}>{t`Log the load`}</Button>
          </div>
        </div>
      </form>
    </Dialog>
  );
};
/** What the measured test changes, and the press that puts it into force. */
const Taught = ({ tray }: { tray: TrayState }) => {
  const date = useDayDate();
  const view = useCalibration(date, tray.inspected?.entryId);
  const use = useCalibrationStep(date ?? '', 'use');
  const { search } = useLocation();
  const known = view.data?.bakes.some(({ id }) => id === tray.inspected?.entryId);
  if (view.isError) return <p role="alert">{view.error.message}</p>;
  if (!view.data || !known) return <p className="text-ink-soft" role="status">{t`Learning from it …`}</p>;
  const own = view.data;
  // In use is what the log says now, but for what an hour's ageing of the bakes moves.
  const inForce =
    own.inForce !== null &&
    own.learned.every((row) => row.held || Math.abs(row.value - row.inForce) < 0.1 * row.sigma);
  return (
    <>
      <PullChanges view={{ ...own, changes: own.changes.filter(({ trays }) => trays > 0) }} />
      <div className="mt-3 flex flex-wrap items-center justify-end gap-2">
        <Link to={`/log/learned${search}`} className={buttonClass()}>{t`Everything that was learned`}</Link>
        <Button
          look="primary"
          disabled={use.isPending || view.isFetching || inForce}
          onClick={() => use.mutate(own.version)}
        >
          {use.isPending ? t`Timing the loads …` : inForce ? t`In use` : t`Use for the rest of the day`}
        </Button>
      </div>
    </>
  );
};
/** A test bake of a few pieces: load, pull, measure, learn. */
export const TestBake = (props: TestBakeProps) => {
  const { batch, load, oven } = props;
  const lots = useLots();
  const [asking, setAsking] = useState(false);
  const [measuring, setMeasuring] = useState(false);
  const now = useNow();
  const wall = useWallClock();
  const floor = useJournal((s) => s.floor);
  const tray = [...floor.trays.values()].find(({ loadId }) => loadId === `${load.id}-test`);
  const action = openActions([batch], floor).find((a) => a.load?.id === `${load.id}-test`);
  const started = load.trays.some(({ id }) => floor.trays.get(id));
  if (!tray && started) return null;
  return (
    <section aria-label={t`Test bake`} className="mt-4 rounded-lg border bg-surface px-4 py-3">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <h2 className="font-semibold">{t`Test bake`}</h2>
          <p className="text-ink-soft">
            {!tray
              ? t`A few pieces first show spread and time; the rest of the day is timed by them.`
              : !tray.pulled
                ? t`${plural(tray.pieces, { one: '# piece', other: '# pieces' })} at place ${tray.position ?? 0} of ${oven.name}: pull at ${wall.time(tray.loaded.atMs + tray.pullS * 1000)} (${countdown(tray.loaded.atMs + tray.pullS * 1000 - now)})`
                : !tray.inspected
                  ? t`Pulled after ${countdown(tray.pulled.atMs - tray.loaded.atMs)}. Measure it when it is cold.`
                  : t`Measured. This is what it changes:`}
          </p>
        </div>
        <div className="flex gap-2">
          {!tray && <Button onClick={() => setAsking(true)}>{t`Bake a few first`}</Button>}
          {action && (
            <Button
              look={action.dueMs - now < 15_000 ? 'hand' : 'primary'}
              onClick={() => doTrayAction(action, lots)}
            >
              {verb(action)}
            </Button>
          )}
          {tray?.pulled && (
            <Button look={tray.inspected ? 'plain' : 'primary'} onClick={() => setMeasuring(true)}>
              {tray.inspected ? t`Measure again` : t`Measure it`}
            </Button>
          )}
        </div>
      </div>
      {tray?.inspected && (
        <div className="mt-3">
          <Taught tray={tray} />
        </div>
      )}
      {asking && <Begin {...props} onClose={() => setAsking(false)} />}
      {measuring && tray && <InspectTray tray={tray} onClose={() => setMeasuring(false)} />}
    </section>
  );
};
