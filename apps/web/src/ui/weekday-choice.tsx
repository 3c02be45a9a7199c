import { usePreferences } from '../lib/preferences';
import { shortWeekdayNames, weekdayNames, weekOf } from '../lib/weekdays';
import { PickSome } from './pick-some';

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
    <PickSome
      legend={legend}
      choices={days.map((id) => ({ id, text: shortWeekdayNames[id] ?? '', name: weekdayNames[id] }))}
      chosen={chosen}
      onChoose={(next) => onChoose([...next].sort((a, b) => a - b))}
      error={error}
    />
  );
};
