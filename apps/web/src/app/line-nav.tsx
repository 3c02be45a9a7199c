import { t } from '@lingui/core/macro';
import { Suspense, useEffect } from 'react';
import { NavLink, useLocation } from 'react-router';
import { later } from '../ui/later';
import { across, stations } from './line';

const SetupMark = later(() => import('./setup-mark'), 'SetupMark');

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
    {path === 'setup' && (
      <Suspense>
        <SetupMark />
      </Suspense>
    )}
  </NavLink>
);

/** The line; on the wall display only its marks are left, on a phone it lies under the thumb. */
export const LineNav = ({ narrow }: { readonly narrow: boolean }) => {
  const { pathname } = useLocation();
  // On a phone the line is pushed along: the station one is at stays in sight.
  useEffect(() => {
    document
      .querySelector('nav [aria-current="page"]')
      ?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [pathname]);
  return (
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
};
