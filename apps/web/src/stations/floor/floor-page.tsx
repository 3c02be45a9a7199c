import { plural, t } from '@lingui/core/macro';
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
const dueWord = { late: t`Overdue`, now: t`Now`, soon: t`Soon`, later: t`Later` } as const;

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
  if (allergens) return t`of ${andList(allergens, 20)}, `;
  return `${[mass(massG), ...(ingredientIds ? [ingredientList(ingredientIds)] : [])].join(' ')}, `;
};

/** What a load is iced with. */
const icing = ({ kind, load }: Action, formula: Formula | undefined, about: (grams: number) => string) => {
  if (kind !== 'ice' || !load || !formula) return '';
  const pieces = load.trays.reduce((sum, tray) => sum + tray.pieces, 0);
  const parts = icingFor(formula, pieces * formula.piece.massG).map(
    (part) => `${about(part.mass.value)} ${part.name.toLowerCase()}`,
  );
  return [t`${plural(pieces, { one: '# piece', other: '# pieces' })}`, ...parts, ''].join(', ');
};

/** What to look for, or to mind, at each step. */
const preparationCues: Readonly<Record<PreparationKind, string>> = {
  'butter-out': t`In its wrapper, apart. It should give to a thumb, and not shine.`,
  'butter-brown': t`Light pan, stir, weigh it before and after. It must cool before egg goes in.`,
  'eggs-out': t`In their tray, out of the cold. Cold egg makes a creamed dough curdle.`,
  toast: t`One layer on a tray, moderate oven, stir once. Cold before it is chopped or goes in.`,
  chop: t`Even pieces: dust browns, lumps tear the ball. Clean board and knife for each allergen.`,
  sift: t`Over the bowl that is weighed into; press out lumps.`,
  warm: t`At room temperature it mixes in; cold it curdles or clumps.`,
  'oven-on': t`Nothing in it but its own racks. Fan as the formula asks for.`,
  'oven-check': t`Read a thermometer inside, not the dial. Too cold: wait, or turn it up.`,
  clean: t`Bowl, tool and scrapers, as your local rules ask for. Wipe down the bench as well.`,
};

const cues: Readonly<Record<Exclude<Action['kind'], 'pull' | 'prepare'>, string>> = {
  mix: t`Weigh everything first. Then the mixer turns.`,
  portion: t`Weigh the first three pieces, then one now and then.`,
  'rest-in': t`Into the cold at once: dough with egg does not wait.`,
  'rest-out': t`Only what the next load needs.`,
  load: t`Tray cool, pieces apart, oven at temperature. Keep the door open as short as you can.`,
  turn: t`Back to front, top to bottom. Keep the door open as short as you can.`,
  flatten: t`At once, while they are soft: one even press each. The tray is hot.`,
  ice: t`Only on cold pieces: on warm ones it runs and soaks in.`,
  pack: t`Cold and dry. Count them, and write lot and allergens on the pack.`,
  rack: t`Firm enough to lift without bending? Then onto the rack. The tray is still hot.`,
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
      aria-label={t`Due next`}
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
          {action.load && `, ${plural(action.trayIds.length, { one: '# tray', other: '# trays' })}`}
          {action.kind === 'load' && action.load && t`, set to ${temperature(action.load.setC)}`}
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
          aria-label={t`Time left`}
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
          {action.prepare ? t`Done` : action.load ? verb(action) : t`Go there`}
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
        <span className="line-clamp-3 text-[19px] leading-tight font-semibold">
          {verb(action)} {names.product(action.productCode)}
        </span>
        <span className="figures block text-[15px] text-ink-soft">
          {amount(action, units)}
          {place(action, names)},{' '}
          {action.dueMs < now
            ? t`${countdown(now - action.dueMs)} late`
            : t`in ${countdown(action.dueMs - now)}`}
        </span>
      </span>
      <Button
        size="floor"
        look={hand ? 'hand' : 'plain'}
        className="!min-h-14 !px-4 !text-xl"
        onClick={() => onDo(action)}
        aria-label={label(action)}
      >
        {action.prepare ? t`Done` : action.load ? verb(action) : t`Go`}
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
          {open.length > 1 && t`; ${open.length - 1} more`})
        </span>
      </p>
      <Button
        size="floor"
        className="!min-h-14 !text-xl"
        onClick={() => setDismissed(new Set(dismissed).add(keyOf(first)))}
      >{t`Dismiss`}</Button>
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
  if (!data || !loaded) return <Loading what={t`the floor`} />;
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
              <h1 className="text-4xl font-semibold">{t`Everything is done`}</h1>
              <p className="mt-2 text-2xl text-ink-soft">{t`No tray, batch or load of this day is open. Measure the last trays and write them into the log.`}</p>
            </div>
          </section>
        )}
        <section
          aria-label={t`What comes next`}
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
        aria-label={t`Ovens`}
        className="grid shrink-0 gap-3 max-[900px]:!grid-cols-2"
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
