import { t } from '@lingui/core/macro';
import { CloudOff, Keyboard, Moon, Search, Sun, Volume1, Volume2, VolumeX } from 'lucide-react';
import { Suspense, useEffect, useState } from 'react';
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { toast, Toaster } from 'sonner';
import { mostUrgent } from '@jokul/core';
import { nowMs, useNow, useWallClock } from '../lib/clock';
import { usePreferences } from '../lib/preferences';
import { useBakery, useDay } from '../lib/queries';
import { startJournal } from '../journal/sync';
import { onBegin, useJournal } from '../journal/store';
import { Failed, Loading } from '../ui/states';
import { chime, openSound, useChime } from '../sound/chime';
import { Button } from '../ui/button';
import { across, stations } from './line';
import { recordOf } from '../line/lots';
import { NextAction } from './next-action';
import { SetAside, UnkeptWarning } from './set-aside';
import { pathOf, useActions, useAskRelease } from '../line/actions';
import { later } from '../ui/later';

const Overview = later(() => import('./overview'), 'Overview');
const ReleaseDough = later(() => import('./release-dough'), 'ReleaseDough');
const LoadingWatch = later(() => import('./loading-watch'), 'LoadingWatch');
const SearchEverything = later(() => import('./search-everything'), 'SearchEverything');
const LeftOutWatch = later(() => import('./left-out-watch'), 'LeftOutWatch');
const SlipWatch = later(() => import('./slip-watch'), 'SlipWatch');
const SettingUp = later(() => import('./setting-up'), 'SettingUp');
const DueSound = later(() => import('../sound/due-sound'), 'DueSound');
const ColdWatch = later(() => import('./cold-watch'), 'ColdWatch');

const LineLink = ({
  path,
  name,
  hint,
  narrow,
}: {
  path: string;
  name: string;
  hint: string;
  narrow: boolean;
}) => (
  <NavLink
    to={{ pathname: `/${path}`, search: window.location.search }}
    className={({ isActive }) =>
      `group relative flex items-center gap-3 rounded-md py-1.5 pr-2 pl-2.5 max-sm:min-w-[3.9rem] max-sm:flex-col max-sm:gap-0 max-sm:px-1 max-sm:text-[12.5px] thumb ${isActive ? 'bg-ground font-semibold text-ink' : 'text-ink-soft hover:bg-ground hover:text-ink'}`
    }
  >
    <span className="figures z-10 grid size-6 shrink-0 place-items-center rounded-full border border-line-strong bg-surface text-[12px] group-aria-[current=page]:border-ink group-aria-[current=page]:bg-inverse group-aria-[current=page]:text-inverse-ink">
      {hint}
    </span>
    <span className={narrow ? 'sm:sr-only' : 'sm:max-[900px]:sr-only'}>{name}</span>
  </NavLink>
);

/** The line; on the wall display only its marks are left, on a phone it lies under the thumb. */
const Line = ({ narrow }: { narrow: boolean }) => (
  <nav
    aria-label={t`Stations`}
    className="flex h-full flex-col gap-4 px-2 py-3 max-sm:h-auto max-sm:w-max max-sm:flex-row max-sm:gap-1 max-sm:px-1 max-sm:py-1"
  >
    <div className="flex items-center gap-2 px-1.5 max-sm:hidden">
      <svg viewBox="0 0 32 32" className="size-7 shrink-0" aria-hidden>
        <path d="M6 4h8l-2 8 7 6-3 10H7l3-10-6-6z" fill="var(--ink)" />
        <circle cx="25" cy="23" r="5" fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      </svg>
      <span className={narrow ? 'sr-only' : 'text-lg font-semibold max-[900px]:sr-only'}>Jokul</span>
    </div>
    <ol className="relative space-y-0.5 max-sm:flex max-sm:space-y-0 max-sm:before:hidden before:absolute before:top-3 before:bottom-3 before:left-[22px] before:w-px before:bg-line-strong">
      {stations.map(({ key, path, name }) => (
        <li key={path}>
          <LineLink path={path} name={name} hint={key} narrow={narrow} />
        </li>
      ))}
    </ol>
    <ul className="space-y-0.5 border-t pt-3 max-sm:flex max-sm:space-y-0 max-sm:border-t-0 max-sm:border-l max-sm:pt-0 max-sm:pl-1">
      {across.map(({ key, path, name }) => (
        <li key={path}>
          <LineLink path={path} name={name} hint={key} narrow={narrow} />
        </li>
      ))}
    </ul>
  </nav>
);

const ConnectionMark = () => {
  const { connection, pending } = useJournal();
  if (connection !== 'away' && pending.length === 0) return null;
  return (
    <span
      role="status"
      className="flex items-center gap-1.5 rounded-md border border-hand px-2 py-1 text-[13px]"
    >
      <CloudOff size={15} className="text-hand" aria-hidden />
      {connection === 'away' ? t`Server away` : t`Sending`}
      {pending.length > 0 && <span className="figures">{t`· ${pending.length} kept here`}</span>}
    </span>
  );
};

const Clock = () => {
  const wall = useWallClock();
  const bakery = useBakery();
  const now = useNow();
  return (
    <p className="flex items-baseline gap-2 whitespace-nowrap" aria-label={t`Bakery clock`}>
      <span className="figures text-lg">{wall.time(now)}</span>
      <span className="text-ink-soft max-sm:sr-only">{wall.date(now)}</span>
      {bakery.data && bakery.data.clock.mode !== 'real' && (
        <span className="text-[12.5px] text-ink-faint max-sm:sr-only">{t`demo clock`}</span>
      )}
    </p>
  );
};

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Pages below a station that are no thing of it. */
const below = new Map([
  ['learned', t`What your bakes show`],
  ['lists', t`Work lists`],
  ['new', t`Import recipe`],
  ['ingredients', t`Ingredients`],
  ['models', t`How Jokul computes`],
  ['welcome', t`Welcome`],
  ['begin', t`Set up my bakery`],
]);

/** What the browser's tab says: the thing that is looked at, and the page. */
const titleOf = (
  pathname: string,
  formulas: readonly { readonly code: string; readonly name: string }[],
): string => {
  const [path = '', thing = ''] = pathname.split('/').slice(1);
  const page = [...stations, ...across].find((station) => station.path === path)?.name;
  const name =
    formulas.find(({ code }) => code === thing)?.name ?? below.get(thing) ?? below.get(path) ?? thing;
  return [name, page, 'Jokul'].filter(Boolean).join(' · ');
};

const SoundButton = () => {
  const { sound, set } = usePreferences();
  const blocked = useChime((s) => s.blocked);
  const says = !sound
    ? t`Sound is off: press to hear what is due`
    : blocked
      ? t`Touch the screen once: until then the browser keeps this page silent`
      : t`Sounds what is due`;
  const Icon = !sound ? VolumeX : blocked ? Volume1 : Volume2;
  return (
    <Button
      size="small"
      look="quiet"
      aria-label={t`Sound`}
      aria-pressed={sound}
      title={says}
      onClick={() => {
        set({ sound: !sound });
        // Heard at once, so that nobody waits for the first tray to find out.
        if (!sound) void openSound().then(() => chime('due'));
        toast(sound ? t`Sound is off on this device.` : t`This device sounds what is due.`);
      }}
      icon={<Icon size={17} className={sound && blocked ? 'text-hand' : ''} />}
    />
  );
};

/** Navigation, clock, search and keys around every page. */
export const Shell = () => {
  const bakery = useBakery();
  const day = useDay();
  const navigate = useNavigate();
  const { pathname, search } = useLocation();
  const [overview, setOverview] = useState(false);
  const [searching, setSearching] = useState(false);
  const { theme, who, sound, set } = usePreferences();
  const actions = useActions();
  const known = bakery.data !== undefined;
  const asked = useAskRelease((s) => s.ask);

  useEffect(() => {
    if (known) void startJournal();
  }, [known]);

  // Who is written into the log is somebody of this bakery, also on a device that was elsewhere before.
  const crew = bakery.data?.equipment.crew;
  useEffect(() => {
    const [first] = crew ?? [];
    if (first !== undefined && !crew?.includes(who)) set({ who: first });
  }, [crew, who, set]);

  // The first work on a lot pins what the lot is, by what this device knows of it.
  useEffect(() => {
    onBegin((lot) => (bakery.data && day.data ? recordOf(bakery.data, day.data, lot) : null));
  }, [bakery.data, day.data]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // Out of a field, so that the keys of the line work again.
      if (event.key === 'Escape' && event.target instanceof HTMLInputElement) event.target.blur();
      if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (document.querySelector('[role="dialog"]')) return;
      const to = [...stations, ...across].find(({ key }) => key === event.key);
      const first = mostUrgent(actions, nowMs());
      if (to) void navigate({ pathname: `/${to.path}`, search });
      else if (event.key === 'n' && first) void navigate({ pathname: pathOf(first), search });
      else if (event.key === '/') setSearching(true);
      else if (event.key === '?') setOverview(true);
      else if (event.key === 't')
        set({ theme: document.documentElement.dataset.theme === 'dark' ? 'light' : 'dark' });
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [actions, navigate, search, set]);

  // On a phone the line is pushed along: the station one is at stays in sight.
  useEffect(() => {
    document
      .querySelector('nav [aria-current="page"]')
      ?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [pathname]);

  const title = titleOf(pathname, bakery.data?.formulas ?? []);
  const wall = pathname.startsWith('/floor');
  // Whoever is about to choose or set up a bakery is not called to the floor.
  const quiet = /^\/(welcome|begin)\b/.test(pathname);
  return (
    <div
      className={`grid h-full grid-rows-[minmax(0,1fr)] max-sm:!grid-cols-[minmax(0,1fr)] max-sm:!grid-rows-[minmax(0,1fr)_auto] print:block ${wall ? 'grid-cols-[60px_minmax(0,1fr)]' : 'grid-cols-[148px_minmax(0,1fr)] max-[900px]:grid-cols-[60px_minmax(0,1fr)]'}`}
    >
      <title>{title}</title>
      <div className="no-print min-h-0 overflow-y-auto border-r bg-surface max-sm:order-last max-sm:overflow-x-auto max-sm:border-t max-sm:border-r-0">
        <Line narrow={wall} />
      </div>
      <div className="flex min-h-0 min-w-0 flex-col print:block">
        <header className="no-print flex h-12 shrink-0 items-center gap-3 border-b bg-surface px-4 max-sm:h-auto max-sm:flex-wrap max-sm:gap-x-1 max-sm:gap-y-0.5 max-sm:px-3 max-sm:py-1">
          <Clock />
          <div className="min-w-0 flex-1 max-sm:order-last max-sm:basis-full max-sm:empty:hidden">
            {!wall && !quiet && <NextAction />}
          </div>
          <ConnectionMark />
          <select
            aria-label={t`Who works at this device`}
            className="rounded-md border border-line bg-raised px-2 py-1 text-[13.5px] max-sm:ml-auto thumb"
            value={who}
            onChange={(event) => set({ who: event.target.value })}
          >
            {(bakery.data?.equipment.crew ?? [who]).map((role) => (
              <option key={role}>{role}</option>
            ))}
          </select>
          <Button
            size="small"
            look="quiet"
            aria-label={t`Search everything`}
            title={t`Search everything ( / )`}
            onClick={() => setSearching(true)}
            icon={<Search size={17} />}
          />
          <SoundButton />
          <Button
            size="small"
            look="quiet"
            aria-label={t`Light or dark`}
            title={t`Light or dark ( t )`}
            onClick={() =>
              set({ theme: document.documentElement.dataset.theme === 'dark' ? 'light' : 'dark' })
            }
            icon={theme === 'dark' ? <Sun size={17} /> : <Moon size={17} />}
          />
          <Button
            size="small"
            look="quiet"
            className="max-sm:hidden"
            aria-label={t`Keys`}
            title={t`Keys ( ? )`}
            onClick={() => setOverview(true)}
            icon={<Keyboard size={17} />}
          />
        </header>
        <UnkeptWarning />
        <SetAside />
        {bakery.data && !quiet && (
          <Suspense>
            <ColdWatch />
            <LeftOutWatch />
            <SlipWatch />
            <LoadingWatch />
            {sound && <DueSound />}
            {bakery.data.kind === 'own' && <SettingUp />}
          </Suspense>
        )}
        <main className="min-h-0 flex-1 print:block">
          {bakery.isPending ? (
            <Loading what={t`the bakery`} />
          ) : bakery.isLoadingError ? (
            <Failed error={bakery.error} onRetry={() => void bakery.refetch()} />
          ) : (
            <Outlet />
          )}
        </main>
      </div>
      <Suspense>{asked && <ReleaseDough asked={asked} />}</Suspense>
      {overview && (
        <Suspense>
          <Overview open onClose={() => setOverview(false)} />
        </Suspense>
      )}
      {searching && (
        <Suspense>
          <SearchEverything open onClose={() => setSearching(false)} />
        </Suspense>
      )}
      <Toaster
        position="bottom-center"
        toastOptions={{
          className: '!bg-inverse !text-inverse-ink !border-inverse !font-sans !pointer-events-auto',
        }}
      />
    </div>
  );
};
