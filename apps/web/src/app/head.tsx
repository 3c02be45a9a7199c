import { t } from '@lingui/core/macro';
import { Keyboard, Moon, Search, Sun, Volume1, Volume2, VolumeX } from 'lucide-react';
import { toast } from 'sonner';
import { useNow, useWallClock } from '../lib/clock';
import { usePreferences } from '../lib/preferences';
import { useBakery } from '../lib/queries';
import { chime, openSound, useChime } from '../sound/chime';
import { Button } from '../ui/button';
import { ConnectionMark } from './connection-mark';
import { DeviceClock } from './device-clock';
import { NextAction } from './next-action';

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
      {bakery.data && <DeviceClock mode={bakery.data.clock.mode} />}
    </p>
  );
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

interface HeadProps {
  readonly crew: readonly string[] | undefined;
  /** Whether what is next is said here. */
  readonly saysNext: boolean;
  readonly onSearch: () => void;
  readonly onOverview: () => void;
}

/** Clock, what is next, who works here, and the buttons of every page. */
export const Head = ({ crew, saysNext, onSearch, onOverview }: HeadProps) => {
  const { theme, who, set } = usePreferences();
  return (
    <header className="no-print flex h-12 shrink-0 items-center gap-3 border-b bg-surface px-4 max-sm:h-auto max-sm:flex-wrap max-sm:gap-x-1 max-sm:gap-y-0.5 max-sm:px-3 max-sm:py-1">
      <Clock />
      <div className="min-w-0 flex-1 max-sm:order-last max-sm:basis-full max-sm:empty:hidden">
        {saysNext && <NextAction />}
      </div>
      <ConnectionMark />
      <select
        aria-label={t`Who works at this device`}
        className="rounded-md border border-line bg-raised px-2 py-1 text-[13.5px] max-sm:ml-auto thumb"
        value={who}
        onChange={(event) => set({ who: event.target.value })}
      >
        {(crew ?? [who]).map((role) => (
          <option key={role}>{role}</option>
        ))}
      </select>
      <Button
        size="small"
        look="quiet"
        aria-label={t`Search everything`}
        title={t`Search everything ( / )`}
        onClick={onSearch}
        icon={<Search size={17} />}
      />
      <SoundButton />
      <Button
        size="small"
        look="quiet"
        aria-label={t`Light or dark`}
        title={t`Light or dark ( t )`}
        onClick={() => set({ theme: document.documentElement.dataset.theme === 'dark' ? 'light' : 'dark' })}
        icon={theme === 'dark' ? <Sun size={17} /> : <Moon size={17} />}
      />
      <Button
        size="small"
        look="quiet"
        className="max-sm:hidden"
        aria-label={t`Keys`}
        title={t`Keys ( ? )`}
        onClick={onOverview}
        icon={<Keyboard size={17} />}
      />
    </header>
  );
};
