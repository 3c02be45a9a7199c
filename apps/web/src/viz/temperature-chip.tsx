import { inkOn, temperatureColour } from './temperature';
import { useUnits } from '../lib/units';

/** A temperature as colour and figure. */
export const TemperatureChip = ({ temperatureC, digits = 0 }: { temperatureC: number; digits?: number }) => {
  const { temperature } = useUnits();
  const colour = temperatureColour(temperatureC);
  return (
    <span
      className="figures inline-block rounded px-1.5 py-0.5 text-[13px]"
      style={{ background: colour, color: inkOn(colour) }}
    >
      {temperature(temperatureC, digits)}
    </span>
  );
};
