import { usePreferences } from '../lib/preferences';
import { shortWeekdayNames, weekdayNames, weekOf } from '../lib/weekdays';

/** The seven days of the week as boxes to tick. */
export const WeekdayChoice = ({
  legend,
  chosen,
  onChoose,
  error,
}: {
  readonly legend: string;
  readonly chosen: readonly number[];
  readonly onChoose: (days: readonly number[]) => void;
  readonly error?: string | undefined;
}) => {
  const days = weekOf(usePreferences((own) => own.weekStart));
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] text-ink-soft">{legend}</legend>
      <div className="flex flex-wrap gap-1">
        {days.map((day) => {
          const on = chosen.includes(day);
          return (
            <label
              key={day}
              className={`thumb grid min-h-9 min-w-12 cursor-pointer place-items-center rounded-md border px-2 has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink ${on ? 'border-ink bg-inverse text-inverse-ink' : 'border-line-strong bg-raised'}`}
            >
              <input
                type="checkbox"
                className="sr-only"
                aria-label={weekdayNames[day]}
                checked={on}
                onChange={() =>
                  onChoose(
                    on ? chosen.filter((other) => other !== day) : [...chosen, day].sort((a, b) => a - b),
                  )
                }
              />
              <span aria-hidden>{shortWeekdayNames[day]}</span>
            </label>
          );
        })}
      </div>
      {error && (
        <p role="alert" className="mt-1 text-[13px] font-medium text-hand">
          {error}
        </p>
      )}
    </fieldset>
  );
};
