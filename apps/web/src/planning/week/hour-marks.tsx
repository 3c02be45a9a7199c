import { useWallClock } from '../../lib/clock';
import { namesWidth, thirdHours } from './day-strip';

/** The hours over strips of one width, every third. */
export const HourMarks = ({ width }: { readonly width: number }) => {
  const wall = useWallClock();
  const left = namesWidth(width);
  return (
    <div className="relative h-5 self-end" style={{ width }} aria-hidden>
      {thirdHours.slice(0, -1).map((hour) => (
        <span
          key={hour}
          className="figures absolute text-[12px] text-ink-soft"
          style={{ left: left + (hour / 24) * (width - left) }}
        >
          {wall.ofDay(`${String(hour).padStart(2, '0')}:00`)}
        </span>
      ))}
    </div>
  );
};
