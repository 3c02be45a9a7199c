import { counted, say } from './say.js';

/** Units a figure can carry; all stored values are SI-based (grams, seconds, millimetres, degrees Celsius). */
export type Unit =
  | ''
  | 'g'
  | 'g/mL'
  | 'kg/m³'
  | 'mL'
  | '°C'
  | 'K'
  | 's'
  | 'mm'
  | 'm²/s'
  | 'W/m²K'
  | 'W/mK'
  | 'J/kgK'
  | 'J/kg'
  | 'J'
  | 'J/K'
  | 'W'
  | 'kWh'
  | 'm²'
  | '%'
  | 'share'
  | 'pieces'
  | 'trays'
  | 'batches';

/** With so many decimals; a minus is a minus, and none stands before nothing. */
export const formatFixed = (value: number, digits: number): string => {
  const size = Math.abs(value).toFixed(digits);
  return value < 0 && Number(size) > 0 ? `−${size}` : size;
};

/** A number with as many digits as a baker reads: 1240, 35.2, 0.85, 0.0042, −20. */
export const formatNumber = (value: number): string => {
  const size = Math.abs(value);
  if (size === 0) return '0';
  const digits = size >= 1000 ? 0 : size >= 100 ? 1 : size >= 1 ? 2 : 4;
  const shown = size >= 1e7 || size < 1e-4 ? size.toExponential(2) : String(Number(size.toFixed(digits)));
  return value < 0 ? `−${shown}` : shown;
};

/** A duration as a baker says it: 45 s, 12 min 30 s, 1 h 20, 3 d 4 h. */
export const sayDuration = (durationS: number): string => {
  const sign = durationS < 0 ? '−' : '';
  const total = Math.round(Math.abs(durationS));
  if (total < 60) return `${sign}${total} s`;
  if (total < 3600) {
    const seconds = total % 60;
    return `${sign}${Math.floor(total / 60)} min${seconds ? ` ${seconds} s` : ''}`;
  }
  const minutes = Math.round(total / 60);
  if (minutes < 48 * 60) {
    return `${sign}${Math.floor(minutes / 60)} h${minutes % 60 ? ` ${String(minutes % 60).padStart(2, '0')}` : ''}`;
  }
  const hours = Math.round(minutes / 60);
  return `${sign}${Math.floor(hours / 24)} d${hours % 24 ? ` ${hours % 24} h` : ''}`;
};

/** A value with its unit in plain text; shares read as percent, seconds as a duration. */
export const formatQuantity = (value: number, unit: Unit): string => {
  if (unit === 'share') return `${formatNumber(value * 100)} %`;
  if (unit === 's') return sayDuration(value);
  const number = formatNumber(value);
  if (unit === 'pieces') return say`${number} ${counted(value, 'piece', 'pieces')}`;
  if (unit === 'trays') return say`${number} ${counted(value, 'tray', 'trays')}`;
  if (unit === 'batches') return say`${number} ${counted(value, 'batch', 'batches')}`;
  return unit === '' ? number : `${number} ${unit}`;
};
