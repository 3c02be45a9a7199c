import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import {
  icingFor,
  inUse,
  mostUrgent,
  urgencyOf,
  type Action,
  type Formula,
  type Notice,
  type PreparationKind,
} from '@jokul/core';
import { andList } from '../../app/and-list';
import { ingredientList } from '../../app/preparation-words';
import { doPreparation, doTrayAction, pathOf, useActions, useNames, verb } from '../../app/actions';
import { useLots } from '../../app/lots';
import { NeedPlan } from '../../app/need-plan';
import { sayDone } from '../../app/say-done';
import { sayNotice } from '../../journal/notice-words';
import { useJournal } from '../../journal/store';
import { countdown, nowMs, useNow, useWallClock } from '../../lib/clock';
import { pullCue } from '../../lib/pull-cue';
import { useBakery, useDay } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Loading } from '../../ui/states';
import { OvenCard } from './oven-card';
import { useKeepAwake } from './keep-awake';

const keyOf = ({ entryId, subject, code }: Notice) => `${entryId}/${subject}/${code}`;
const dueWord = { late: 'Overdue', now: 'Now', soon: 'Soon', later: 'Later' } as const;

const useDo = () => {
  const lots = useLots();
  const names = useNames();
  const navigate = useNavigate();
  const { search } = useLocation();
  return (action: Action) => {
    if (doPreparation(action)) {
      sayDone(action, names.product(action.productCode));
      return;
    }
    if (!doTrayAction(action, lots)) {
      if (!action.load) void navigate({ pathname: pathOf(action), search });
      return;
    }
    sayDone(action, names.product(action.productCode));
  };
};

const label = (action: Action) =>
  `${verb(action)} ${action.load?.id ?? action.prepare?.oven?.loadId ?? action.batchId}`;
const place = (action: Action, names: ReturnType<typeof useNames>) =>
  action.ovenId ? names.oven(action.ovenId) : action.batchId;
/** How much is put out, what the bowl is cleaned of, or what the oven is set to. */
const amount = (
  { prepare }: Action,
  { mass, temperature }: Pick<ReturnType<typeof useUnits>, 'mass' | 'temperature'>,
): string => {
  if (!prepare) return '';
  const { oven, allergens, ingredientIds, massG } = prepare;
  if (oven) return `${temperature(oven.setC)}, `;
  if (allergens) return `of ${andList(allergens, 20)}, `;
  return `${[mass(massG), ...(ingredientIds ? [ingredientList(ingredientIds)] : [])].join(' ')}, `;
};

/** What a load is iced with. */
const icing = ({ kind, load }: Action, formula: Formula | undefined, about: (grams: number) => string) => {
  if (kind !== 'ice' || !load || !formula) return '';
  const pieces = load.trays.reduce((sum, tray) => sum + tray.pieces, 0);
  const parts = icingFor(formula, pieces * formula.piece.massG).map(
    (part) => `${about(part.mass.value)} ${part.name.toLowerCase()}`,
  );
  return [`${pieces} pieces`, ...parts, ''].join(', ');
};

/** What to look for, or to mind, at each step. */
const preparationCues: Readonly<Record<PreparationKind, string>> = {
  'butter-out': 'In its wrapper, apart. It should give to a thumb, and not shine.',
  'butter-brown': 'Light pan, stir, weigh it before and after. It must cool before egg goes in.',
  'eggs-out': 'In their tray, out of the cold. Cold egg makes a creamed dough curdle.',
  toast: 'One layer on a tray, moderate oven, stir once. Cold before it is chopped or goes in.',
  chop: 'Even pieces: dust browns, lumps tear the ball. Clean board and knife for each allergen.',
  sift: 'Over the bowl that is weighed into; press out lumps.',
  warm: 'At room temperature it mixes in; cold it curdles or clumps.',
  'oven-on': 'Nothing in it but its own racks. Fan as the formula asks for.',
  'oven-check': 'Read a thermometer inside, not the dial. Too cold: wait, or turn it up.',
  clean: 'Bowl, tool and scrapers, as your local rules ask for. Wipe down the bench as well.',
};

const cues: Readonly<Record<Exclude<Action['kind'], 'pull' | 'prepare'>, string>> = {
  mix: 'Weigh everything first. Then the mixer turns.',
  portion: 'Weigh the first three pieces, then one now and then.',
  'rest-in': 'Into the cold at once: dough with egg does not wait.',
  'rest-out': 'Only what the next load needs.',
  load: 'Tray cool, pieces apart, oven at temperature. Keep the door open as short as you can.',
  turn: 'Back to front, top to bottom. Keep the door open as short as you can.',
  flatten: 'At once, while they are soft: one even press each. The tray is hot.',
  ice: 'Only on cold pieces: on warm ones it runs and soaks in.',
  pack: 'Cold and dry. Count them, and write lot and allergens on the pack.',
  rack: 'Firm enough to lift without bending? Then onto the rack. The tray is still hot.',
};

/** The most urgent thing, as large as the wall allows. */
const NowCard = ({ action, now, onDo }: { action: Action; now: number; onDo: (action: Action) => void }) => {
  const lots = useLots();
  const names = useNames();
  const wall = useWallClock();
  const units = useUnits();
  const { temperature, about } = units;
  const urgency = urgencyOf(action, now);
  const hand = urgency === 'late' || urgency === 'now';
  return (
    <section
      aria-label="Due next"
      className={`flex flex-col justify-between rounded-xl border-2 p-5 ${hand ? 'border-hand bg-hand-ground' : 'border-line-strong bg-surface'}`}
    >
      <div>
        <p className="text-xl text-ink-soft">
          {dueWord[urgency]}, {wall.time(action.dueMs)}
        </p>
        <h1 className="text-[44px] leading-[1.05] font-semibold max-[1100px]:text-[38px] max-sm:text-[30px]">
          {verb(action)} {names.product(action.productCode)}
        </h1>
        <p className="mt-1 text-3xl max-sm:text-2xl">
          {amount(action, units)}
          {icing(action, lots?.formulaOf(action.batchId), about)}
          {place(action, names)}
          {action.load && `, ${action.trayIds.length} ${action.trayIds.length === 1 ? 'tray' : 'trays'}`}
          {action.kind === 'load' && action.load && `, set to ${temperature(action.load.setC)}`}
        </p>
        <p className="mt-4 max-w-[30ch] text-2xl text-ink-soft max-sm:mt-2 max-sm:text-lg">
          {action.kind === 'pull'
            ? pullCue(lots?.formulaOf(action.batchId)?.bake.target ?? 'chewy')
            : action.kind === 'prepare'
              ? action.prepare && preparationCues[action.prepare.kind]
              : cues[action.kind]}
        </p>
      </div>
      <div className="mt-3 flex flex-wrap items-end justify-between gap-4">
        <p
          className="figures text-[84px] leading-none max-[1100px]:text-[68px] max-sm:text-[52px]"
          aria-label="Time left"
          role="timer"
        >
          {countdown(action.dueMs - now)}
        </p>
        <Button
          size="floor"
          look={hand ? 'hand' : 'primary'}
          className="min-h-20 min-w-52 !text-3xl max-sm:min-w-0 max-sm:flex-1"
          onClick={() => onDo(action)}
          aria-label={label(action)}
        >
          {action.prepare ? 'Done' : action.load ? verb(action) : 'Go there'}
        </Button>
      </div>
    </section>
  );
};

const NextRow = ({ action, now, onDo }: { action: Action; now: number; onDo: (action: Action) => void }) => {
  const names = useNames();
  const units = useUnits();
  const wall = useWallClock();
  const urgency = urgencyOf(action, now);
  const hand = urgency === 'late' || urgency === 'now';
  return (
    <li
      className={`flex items-center gap-3 border-t px-3 py-1.5 first:border-t-0 ${hand ? 'bg-hand-ground' : ''}`}
    >
      <span className="figures w-[4.6rem] shrink-0 text-2xl">{wall.time(action.dueMs)}</span>
      <span className="min-w-0 flex-1">
        <span className="line-clamp-2 text-[19px] leading-tight font-semibold">
          {verb(action)} {names.product(action.productCode)}
        </span>
        <span className="figures block text-[15px] text-ink-soft">
          {amount(action, units)}
          {place(action, names)},{' '}
          {action.dueMs < now
            ? `${countdown(now - action.dueMs)} late`
            : `in ${countdown(action.dueMs - now)}`}
        </span>
      </span>
      <Button
        size="floor"
        look={hand ? 'hand' : 'plain'}
        className="!min-h-14 !px-4 !text-xl"
        onClick={() => onDo(action)}
        aria-label={label(action)}
      >
        {action.prepare ? 'Done' : action.load ? verb(action) : 'Go'}
      </Button>
    </li>
  );
};

/** The oldest notice that nobody on this device has dismissed; one that comes in behind it waits its turn. */
const Notices = () => {
  const notices = useJournal((s) => s.floor.notices);
  const [dismissed, setDismissed] = useState<ReadonlySet<string>>(new Set());
  const wall = useWallClock();
  const names = useNames();
  const open = notices.filter((notice) => !dismissed.has(keyOf(notice)));
  const [first] = open;
  if (!first) return null;
  return (
    <div
      role="alert"
      className="flex items-center gap-3 rounded-lg border-2 border-hand bg-hand-ground px-4 py-2 text-xl"
    >
      <p className="flex-1">
        {sayNotice(first, wall, names.place)}{' '}
        <span className="text-ink-soft">
          ({first.who}, {wall.near(first.atMs, nowMs())}
          {open.length > 1 && `; ${open.length - 1} more`})
        </span>
      </p>
      <Button
        size="floor"
        className="!min-h-14 !text-xl"
        onClick={() => setDismissed(new Set(dismissed).add(keyOf(first)))}
      >
        Dismiss
      </Button>
    </div>
  );
};

const FloorWall = () => {
  const { data } = useBakery();
  const loaded = useJournal((s) => s.loaded);
  const actions = useActions();
  const now = useNow(500);
  const act = useDo();
  useKeepAwake();
  const loads = useDay().data?.plan?.plan.batches.flatMap((batch) => batch.loads) ?? [];
  if (!data || !loaded) return <Loading what="the floor" />;
  const first = mostUrgent(actions, now);
  const rest = actions.filter((action) => action !== first);
  // A retired oven stays on the wall for as long as a load of this day is in it.
  const planned = new Set(loads.map(({ ovenId }) => ovenId));
  const { ovens } = inUse(data.equipment, (id) => planned.has(id));
  return (
    <div className="flex h-full min-h-0 flex-col gap-3 p-3 max-sm:overflow-y-auto">
      <Notices />
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)] gap-3 max-sm:block max-sm:flex-none max-sm:space-y-3">
        {first ? (
          <NowCard action={first} now={now} onDo={act} />
        ) : (
          <section className="grid place-items-center rounded-xl border-2 border-line-strong bg-surface p-6 text-center">
            <div>
              <h1 className="text-4xl font-semibold">Everything is done</h1>
              <p className="mt-2 text-2xl text-ink-soft">
                No tray, batch or load of this day is open. Measure the last trays and write them into the
                log.
              </p>
            </div>
          </section>
        )}
        <section
          aria-label="What comes next"
          className="min-h-0 overflow-hidden rounded-xl border bg-surface max-sm:max-h-[60vh] max-sm:overflow-y-auto"
        >
          <ol className="h-full overflow-y-auto max-sm:h-auto">
            {rest.slice(0, 60).map((action) => (
              <NextRow key={action.id} action={action} now={now} onDo={act} />
            ))}
          </ol>
        </section>
      </div>
      <section
        aria-label="Ovens"
        className="grid shrink-0 gap-3 max-sm:!grid-cols-2"
        style={{ gridTemplateColumns: `repeat(${Math.min(ovens.length, 6)}, minmax(0, 1fr))` }}
      >
        {ovens.map((oven) => (
          <OvenCard key={oven.id} oven={oven} actions={actions} now={now} bakery={data} />
        ))}
      </section>
    </div>
  );
};

export const FloorPage = () => (
  <NeedPlan>
    <FloorWall />
  </NeedPlan>
);
