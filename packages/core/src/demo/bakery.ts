import type { Calendar, Equipment, HouseRules } from '../bakery/index.js';
import { usualHouseRules } from '../starter/index.js';

/** Equipment of the made-up Hollin Quay Bakehouse. */
export const demoEquipment: Equipment = {
  mixers: [
    { id: 'mixer-20qt', name: '20 qt planetary', bowlL: 19, minFill: 0.15, maxFill: 0.7, maxMassG: 7000 },
    { id: 'mixer-40l', name: '40 L planetary', bowlL: 40, minFill: 0.15, maxFill: 0.65, maxMassG: 15_000 },
  ],
  ovens: [
    { id: 'port', name: 'Port', fan: true, places: 5, degreesPerMin: 8 },
    { id: 'starboard', name: 'Starboard', fan: true, places: 5, degreesPerMin: 8 },
    { id: 'keel-upper', name: 'Keel upper deck', fan: false, places: 2, degreesPerMin: 2 },
    { id: 'keel-lower', name: 'Keel lower deck', fan: false, places: 2, degreesPerMin: 2 },
  ],
  trays: [
    {
      id: 'bright',
      name: 'bright aluminium 60 × 40',
      material: 'bright-aluminium',
      lengthMm: 600,
      widthMm: 400,
      count: 36,
    },
    { id: 'dark', name: 'dark steel 60 × 40', material: 'dark-steel', lengthMm: 600, widthMm: 400, count: 8 },
  ],
  places: [
    {
      id: 'walk-in',
      name: 'Walk-in',
      kind: 'walk-in',
      airC: 4,
      hWPerM2K: 12,
      trayPlaces: 24,
      tubPlaces: 12,
      bagPlaces: 40,
    },
    {
      id: 'freezer',
      name: 'Freezer',
      kind: 'freezer',
      airC: -20,
      hWPerM2K: 12,
      trayPlaces: 10,
      tubPlaces: 2,
      bagPlaces: 40,
    },
    {
      id: 'bench',
      name: 'Bench',
      kind: 'bench',
      airC: 24,
      hWPerM2K: 8,
      trayPlaces: 16,
      tubPlaces: 6,
      bagPlaces: 20,
    },
  ],
  liners: [{ id: 'paper', name: 'Baking paper', kind: 'parchment' }],
  racks: [{ id: 'racks', name: 'Cooling racks', places: 32 }],
  scales: [
    { id: 'bench', maxMassG: 15_000, resolutionG: 5 },
    { id: 'counter', maxMassG: 3000, resolutionG: 0.5 },
    { id: 'pocket', maxMassG: 200, resolutionG: 0.01 },
  ],
  scoops: [16, 20, 24, 30, 40, 50, 60],
  shifts: [
    { name: 'Early baker, head baker', from: '03:30', to: '11:00', hands: 2 },
    { name: 'Mix hand', from: '13:00', to: '18:00', hands: 1 },
  ],
  ovenHours: { from: '03:30', to: '11:00' },
  crew: ['Early baker', 'Oven hand', 'Mix hand', 'Head baker'],
};

export const demoRules: HouseRules = { ...usualHouseRules, timeZone: 'Atlantic/Faroe', trayId: 'bright' };

export interface DemoOrder {
  readonly customer: string;
  readonly readyBy: string;
  readonly pieces: Readonly<Record<string, number>>;
}

/** The bake list of the demo Friday: about 1,450 pieces. */
export const demoOrders: readonly DemoOrder[] = [
  { customer: 'Ferry galley', readyBy: '05:40', pieces: { GNG: 96, SES: 48, CRD: 120, NIB: 40 } },
  { customer: 'Pier kiosk', readyBy: '06:30', pieces: { GNG: 60, SES: 36, LEM: 48, RYE: 40, MLT: 36 } },
  { customer: 'Hotel breakfast', readyBy: '07:00', pieces: { LEM: 72, RYE: 30, CRD: 80, NIB: 60, MLT: 44 } },
  {
    customer: 'Farm shop',
    readyBy: '09:00',
    pieces: { GNG: 40, RYE: 44, PNT: 80, CLM: 90, MLT: 30, SES: 40 },
  },
  { customer: 'School kitchen north', readyBy: '10:15', pieces: { LEM: 90, PNT: 60, NIB: 36 } },
  { customer: 'School kitchen south', readyBy: '10:15', pieces: { LEM: 60, PNT: 50, CLM: 40 } },
];

export interface DemoStanding {
  readonly customer: string;
  readonly readyBy: string;
  /** 1 for Monday to 7 for Sunday. */
  readonly weekdays: readonly number[];
  readonly pieces: Readonly<Record<string, number>>;
}

/** What stands in a week of December: the days before are for orders of one's own. */
export const demoStanding: readonly DemoStanding[] = [
  {
    customer: 'Ferry galley',
    readyBy: '05:40',
    weekdays: [1, 2, 3, 4, 5, 6, 7],
    pieces: { GNG: 160, CRD: 240 },
  },
  { customer: 'Pier kiosk', readyBy: '06:30', weekdays: [1, 2, 4, 5, 6, 7], pieces: { LEM: 48, MLT: 96 } },
  {
    customer: 'Hotel breakfast',
    readyBy: '07:00',
    weekdays: [1, 2, 3, 4, 5, 6, 7],
    pieces: { LEM: 120, NIB: 160 },
  },
  { customer: 'Farm shop', readyBy: '09:00', weekdays: [3, 6], pieces: { RYE: 66, PNT: 120, CLM: 90 } },
  {
    customer: 'School kitchen north',
    readyBy: '10:15',
    weekdays: [1, 2, 3, 4, 5],
    pieces: { LEM: 90, PNT: 120 },
  },
  { customer: 'School kitchen south', readyBy: '10:15', weekdays: [1, 3, 5], pieces: { PNT: 50, CLM: 90 } },
];
export const demoWeek = { from: '2026-12-14', until: '2026-12-20' } as const;
/** Closed for once, on a day in that week. */
export const demoCalendar: Calendar = {
  closedWeekdays: [],
  closedDays: [{ date: '2026-12-17', why: 'Harbour fair' }],
};

/** The demo Friday, and the moment of it that the clock shows when the demo is new. */
export const demoDay = { date: '2026-11-27', time: '04:10' } as const;
