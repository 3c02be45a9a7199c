import { t } from '@lingui/core/macro';
import { Suspense, useCallback, useState } from 'react';
import { Outlet, useLocation } from 'react-router';
import { Toaster } from 'sonner';
import type { BakeryView } from '@jokul/contracts';
import { usePreferences } from '../lib/preferences';
import { useBakery } from '../lib/queries';
import { useAskRelease } from '../line/actions';
import { later } from '../ui/later';
import { Failed, Loading } from '../ui/states';
import { Head } from './head';
import { LineNav } from './line-nav';
import { titleOf } from './page-title';
import { SetAside, UnkeptWarning } from './set-aside';
import { useKeys } from './use-keys';
import { useReadyJournal } from './use-ready-journal';

const Overview = later(() => import('./overview'), 'Overview');
const ReleaseDough = later(() => import('./release-dough'), 'ReleaseDough');
const LoadingWatch = later(() => import('./loading-watch'), 'LoadingWatch');
const SearchEverything = later(() => import('./search-everything'), 'SearchEverything');
const LeftOutWatch = later(() => import('./left-out-watch'), 'LeftOutWatch');
const SlipWatch = later(() => import('./slip-watch'), 'SlipWatch');
const SettingUp = later(() => import('./setting-up'), 'SettingUp');
const DueSound = later(() => import('../sound/due-sound'), 'DueSound');
const ColdWatch = later(() => import('./cold-watch'), 'ColdWatch');

/** What looks after the floor beside every page. */
const Watches = ({ bakery }: { readonly bakery: BakeryView }) => {
  const { sound } = usePreferences();
  return (
    <Suspense>
      <ColdWatch />
      <LeftOutWatch />
      <SlipWatch />
      <LoadingWatch />
      {sound && <DueSound />}
      {bakery.kind === 'own' && <SettingUp />}
    </Suspense>
  );
};

/** Navigation, clock, search and keys around every page. */
export const Shell = () => {
  const bakery = useBakery();
  const { pathname } = useLocation();
  const [overview, setOverview] = useState(false);
  const [searching, setSearching] = useState(false);
  const asked = useAskRelease((s) => s.ask);

  const openSearch = useCallback(() => setSearching(true), []);
  const openOverview = useCallback(() => setOverview(true), []);
  useReadyJournal();
  useKeys(openSearch, openOverview);
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
        <LineNav narrow={wall} />
      </div>
      <div className="flex min-h-0 min-w-0 flex-col print:block">
        <Head
          crew={bakery.data?.equipment.crew}
          saysNext={!wall && !quiet}
          onSearch={openSearch}
          onOverview={openOverview}
        />
        <UnkeptWarning />
        <SetAside />
        {bakery.data && !quiet && <Watches bakery={bakery.data} />}
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
          classNames: { description: '!text-inverse-ink opacity-80' },
        }}
      />
    </div>
  );
};
