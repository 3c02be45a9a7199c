import { t } from '@lingui/core/macro';
import { CalendarDays, ChevronLeft, ChevronRight } from 'lucide-react';
import { useRef } from 'react';
import { useLocation, useNavigate, useSearchParams } from 'react-router';
import { shiftDate } from '@jokul/core';
import { useWallClock } from '../lib/clock';
import { Button } from '../ui/button';

/**
 * Goes from bake day to bake day; the day stands in the address.
 * @param path where other days are looked at, on a page whose address names something of this one
 */
export const DayPicker = ({ date, path }: { readonly date: string; readonly path?: string }) => {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const wall = useWallClock();
  const input = useRef<HTMLInputElement>(null);
  const show = (day: string) =>
    void navigate({
      pathname: path ?? pathname,
      search: `?${new URLSearchParams({ ...Object.fromEntries(search), day })}`,
    });
  return (
    <div className="flex items-center gap-1">
      <Button
        aria-label={t`The day before`}
        onClick={() => show(shiftDate(date, -1))}
        icon={<ChevronLeft size={16} />}
        className="!px-2"
      />
      <span className="relative">
        <Button
          icon={<CalendarDays size={16} />}
          onClick={() => input.current?.showPicker()}
          className="figures w-36"
        >
          {wall.day(date)}
        </Button>
        <input
          ref={input}
          type="date"
          tabIndex={-1}
          aria-label={t`Bake day`}
          value={date}
          onChange={(event) => event.target.value && show(event.target.value)}
          className="pointer-events-none absolute inset-0 opacity-0"
        />
      </span>
      <Button
        aria-label={t`The day after`}
        onClick={() => show(shiftDate(date, 1))}
        icon={<ChevronRight size={16} />}
        className="!px-2"
      />
    </div>
  );
};
