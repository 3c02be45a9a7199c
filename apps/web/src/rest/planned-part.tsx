import { Trans } from '@lingui/react/macro';
import { plural, t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import {
  inUse,
  partOff,
  type BatchPlan,
  type ColdStay,
  type Formula,
  type LotState,
  type Place,
} from '@jokul/core';
import { useNames } from '../line/actions';
import { useDoughNow } from '../line/dough-now';
import { useLots } from '../line/lots';
import { record } from '../journal/store';
import { nowMs, useNow, useWallClock } from '../lib/clock';
import { useBakery, useDay } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Cautions, Station } from '../line/station';
import { Alarm } from '../ui/states';
import { AgeClocks } from './age-clocks';
import { RestWindow } from './rest-why';

const outOf = (batch: BatchPlan) =>
  batch.tasks.find(({ kind }) => kind === 'temper')?.startS ??
  Math.min(...batch.loads.map(({ startS }) => startS));

/**
 * Writes down that the plan's part of a lot was taken out: it becomes a lot of its own, leaves the place, and lies in the
 * one where it thaws, if there is one.
 * @param doughC how warm it is by now, °C; as it went in where nobody knows
 */
export const takePart = (
  batch: BatchPlan,
  lot: LotState,
  formula: Formula,
  kindOf: Parameters<typeof partOff>[3],
  day: string,
  thawIn: Place | undefined,
  doughC: number | undefined,
): void => {
  const inside = lot.stays.findLast(({ outMs }) => outMs === null);
  const { batchId: into } = batch;
  // A gram less would be a piece less.
  const massG = Math.ceil(batch.massG);
  // Dough in a tub has no pieces yet.
  const pieces = inside?.form === 'tub' ? 0 : batch.pieces;
  for (const { lot: of, kind, payload } of partOff(
    lot,
    { into, pieces, massG, day, ...(doughC !== undefined && { doughC }) },
    formula,
    kindOf,
    nowMs(),
  ))
    record(kind, of, payload);
  if (!inside) return;
  record('rest-out', into, { placeId: inside.placeId });
  if (thawIn)
    record('rest-in', into, {
      placeId: thawIn.id,
      form: inside.form,
      cover: 'covered',
      startC: doughC ?? inside.startC,
      massG,
      pieces,
    });
};

/** What is taken, of what, when, and what becomes of it. */
const TakeIt = ({
  batch,
  inside,
  stays,
  said,
}: {
  readonly batch: BatchPlan;
  readonly inside: ColdStay | undefined;
  /** Whether enough lies there that some of it may stay. */
  readonly stays: boolean;
  readonly said: (massG: number, pieces: number) => string;
}) => {
  const names = useNames();
  const wall = useWallClock();
  const now = useNow(10_000);
  const { search } = useLocation();
  const from = batch.stock?.from ?? '';
  const outMs = outOf(batch) * 1000;
  return (
    <>
      <p className="text-lg">
        <Trans>
          Take <strong>{said(batch.massG, batch.pieces)}</strong> of{' '}
          <Link className="underline" to={`/rest/${from}${search}`}>
            {from}
          </Link>{' '}
          {inside && t`out of the ${names.place(inside.placeId).toLowerCase()} `}at{' '}
          <strong>
            {wall.near(outMs, now) === wall.date(outMs)
              ? t`${wall.time(outMs)} on ${wall.date(outMs)}`
              : wall.near(outMs, now)}
          </strong>
          {inside &&
            stays &&
            t`; ${said(inside.massG - batch.massG, inside.pieces - batch.pieces)} stay in there`}
          .
        </Trans>
      </p>
      <p className="mt-2 text-ink-soft">{t`They become the lot ${batch.batchId}, as old as the dough they come from. Write that name on the ${inside?.form === 'tub' ? t`tub` : t`bag or tray`}.`}</p>
    </>
  );
};

/** Dough in the cold of which a plan takes a part: nobody took it out yet. */
export const PlannedPart = ({
  batch,
  formula,
  lot,
  queue,
}: {
  readonly batch: BatchPlan;
  readonly formula: Formula;
  /** The lot that it is a part of, as the journal knows it. */
  readonly lot: LotState | undefined;
  readonly queue: ReactNode;
}) => {
  const names = useNames();
  const lots = useLots();
  const day = useDay();
  const { data: bakery } = useBakery();
  const { mass } = useUnits();
  const navigate = useNavigate();
  const { search } = useLocation();
  const from = batch.stock?.from ?? '';
  const inside = lot?.stays.findLast(({ outMs }) => outMs === null);
  const rules = lots?.ageRulesOf(from);
  const lotFormula = lots?.formulaOf(from);
  const places = bakery ? inUse(bakery.equipment).places : [];
  const frozen = places.find(({ id }) => id === inside?.placeId)?.kind === 'freezer';
  const thawIn = frozen ? places.find(({ kind }) => kind === 'walk-in') : undefined;
  const outMs = outOf(batch) * 1000;
  const isTub = inside?.form === 'tub';
  const doughNow = useDoughNow(lot && lotFormula ? { lot, formula: lotFormula } : null);
  const enough =
    inside !== undefined && (isTub ? inside.massG >= batch.massG - 1 : inside.pieces >= batch.pieces);
  const said = (massG: number, pieces: number) =>
    isTub ? mass(massG) : t`${plural(pieces, { one: '# piece', other: '# pieces' })}`;
  return (
    <Station
      title={t`${formula.name} out of the cold`}
      question={t`${said(batch.massG, batch.pieces)} of ${from} are planned. When do they go out, and how many stay?`}
      queueTitle={t`In the cold`}
      queue={queue}
      actions={
        <Button
          look="primary"
          disabled={!enough || !rules || doughNow === undefined}
          onClick={() => {
            if (!lot || !rules || !day.data) return;
            takePart(batch, lot, formula, rules.kindOf, day.data.date, thawIn, doughNow?.meanC);
            void navigate(`/rest/${batch.batchId}${search}`);
          }}
        >
          {t`Take ${isTub ? mass(batch.massG) : batch.pieces} out${thawIn ? t`, into the ${thawIn.name.toLowerCase()}` : ''}`}
        </Button>
      }
      why={
        <>
          {lot && rules && <AgeClocks lot={lot} rules={rules} placeName={names.place} />}
          <RestWindow formula={formula} plannedOutMs={outMs} />
          <Cautions items={[t`Dough with egg thaws in the cold, covered, never on the bench.`]} />
        </>
      }
    >
      {!inside && (
        <Alarm>
          {t`${from} lies in no cold place any more, so nothing can be taken of it. Plan the day again.`}
        </Alarm>
      )}
      {inside && !enough && (
        <Alarm>{t`Only ${said(inside.massG, inside.pieces)} of ${from} are left, ${said(batch.massG, batch.pieces)} are planned. Plan the day again.`}</Alarm>
      )}
      <TakeIt batch={batch} inside={inside} stays={enough} said={said} />
    </Station>
  );
};
