import { scoopNumbers } from '../portioning/index.js';
import { JokulError, requireNumber, say } from '../shown/index.js';
import { weekdayNames } from './calendar.js';
import { ovenHandsOf, skills, type Equipment } from './equipment.js';
import { active, equipmentKinds, type EquipmentKind, type Retirable } from './in-use.js';
import { shiftParts } from './shift-parts.js';

/** Without one of these nothing can be planned; of liners there are as many as are wanted where none is set up. */
const one: Readonly<Partial<Record<EquipmentKind, string>>> = {
  mixers: say`mixer`,
  ovens: say`oven`,
  trays: say`tray`,
  places: say`cold place`,
  racks: say`cooling rack`,
  scales: say`scale`,
};
const nameOf = (item: Retirable & { readonly name?: string }) => item.name ?? item.id;

const checkNames = (equipment: Equipment): void => {
  // What the plan keeps busy shares one set of ids; scales, trays and liners each have their own.
  const busy = new Set<string>();
  for (const kind of equipmentKinds) {
    const ids = kind === 'scales' || kind === 'trays' || kind === 'liners' ? new Set<string>() : busy;
    const names = new Set<string>();
    equipment[kind].forEach((item, i) => {
      const name = nameOf(item).trim();
      if (ids.has(item.id))
        throw new JokulError('same-id', say`Two things have the id "${item.id}".`, `${kind}.${i}.id`);
      ids.add(item.id);
      if (item.retired) return;
      if (names.has(name.toLowerCase()))
        throw new JokulError(
          'same-name',
          say`Two are called ${name}: give each its own name.`,
          `${kind}.${i}.name`,
        );
      names.add(name.toLowerCase());
    });
    const needed = one[kind];
    if (needed !== undefined && active<Retirable>(equipment[kind]).length === 0)
      throw new JokulError(
        'none-left',
        say`At least one ${needed} stays: without it nothing can be planned.`,
        kind,
      );
  }
};

const checkFigures = (equipment: Equipment): void => {
  equipment.mixers.forEach(({ minFill, maxFill, name }, i) => {
    if (minFill >= maxFill)
      throw new JokulError(
        'bad-fill',
        say`${name}: the least fill must be below the most.`,
        `mixers.${i}.minFill`,
      );
  });
  equipment.scales.forEach(({ id, maxMassG, resolutionG }, i) => {
    if (resolutionG * 10 > maxMassG)
      throw new JokulError(
        'bad-scale',
        say`The scale ${id} shows steps of ${resolutionG} g and carries ${maxMassG} g: one of the two is wrong.`,
        `scales.${i}.resolutionG`,
      );
  });
};

const checkPlaces = ({ ovens, trays }: Equipment): void => {
  const known = new Set(trays.map(({ id }) => id));
  ovens.forEach(({ name, placesFor = [] }, i) => {
    const wrong = placesFor.findIndex(
      ({ trayId }, j) => !known.has(trayId) || placesFor.findIndex((own) => own.trayId === trayId) < j,
    );
    if (wrong >= 0)
      throw new JokulError(
        'unknown-tray',
        say`${name}: its places name a tray that is not there, or one twice.`,
        `ovens.${i}.placesFor.${wrong}.trayId`,
      );
  });
};

const checkLiners = ({ liners }: Equipment): void => {
  const used = liners.map(({ kind, retired }) => (retired ? null : kind));
  liners.forEach(({ kind, name, retired }, i) => {
    const first = liners[used.indexOf(kind)];
    if (!retired && first && used.indexOf(kind) < i)
      throw new JokulError(
        'same-liner',
        say`${name} and ${first.name} are of one kind: keep one, with the count of both.`,
        `liners.${i}.kind`,
      );
  });
};

const checkShifts = (equipment: Equipment): void => {
  if (equipment.shifts.length === 0)
    throw new JokulError('no-shift', say`At least one shift stays: somebody must mix and portion.`, 'shifts');
  equipment.shifts.forEach((shift, i) => {
    const { from, to, name } = shift;
    if (from === to)
      throw new JokulError('bad-shift', say`${name} begins and ends at ${from}.`, `shifts.${i}.to`);
    shiftParts(shift);
    if (shift.can?.length === 0)
      throw new JokulError('bad-shift', say`${name}: say what its hands can do.`, `shifts.${i}.can`);
  });
  for (const skill of ['mix', 'portion'] as const)
    if (!equipment.shifts.some(({ can = skills }) => can.includes(skill)))
      throw new JokulError(
        'no-skill',
        say`At least one shift can ${skill}: no dough is made without.`,
        'shifts',
      );
  if (ovenHandsOf(equipment) === 0 && !equipment.shifts.some(({ can = skills }) => can.includes('oven')))
    throw new JokulError(
      'no-skill',
      say`At least one shift can tend the ovens, or somebody is there for them alone.`,
      'shifts',
    );
};

const checkCalendar = ({ calendar }: Equipment): void => {
  const { closedWeekdays = [], closedDays = [] } = calendar ?? {};
  if (new Set(closedWeekdays).size === weekdayNames.length)
    throw new JokulError(
      'never-open',
      say`The bakery is closed on every day of the week: open one.`,
      'calendar.closedWeekdays',
    );
  closedDays.forEach(({ date }, i) => {
    if (closedDays.findIndex((other) => other.date === date) < i)
      throw new JokulError('same-day', say`${date} is on the list twice.`, `calendar.closedDays.${i}.date`);
  });
};

/**
 * Refuses equipment that nothing could be planned on, or that names two things alike.
 * @throws JokulError with the sentence for the baker and the path of the culprit
 */
export const checkEquipment = (equipment: Equipment): void => {
  checkNames(equipment);
  checkFigures(equipment);
  checkPlaces(equipment);
  checkLiners(equipment);
  if (!active(equipment.places).some(({ kind }) => kind !== 'bench'))
    throw new JokulError(
      'no-cold',
      say`At least one walk-in or freezer stays: dough must rest in the cold.`,
      'places',
    );
  checkShifts(equipment);
  checkCalendar(equipment);
  if (equipment.crew.length === 0)
    throw new JokulError('no-crew', say`At least one name of who works here stays.`, 'crew');
  for (const scoop of equipment.scoops) requireNumber(scoop, say`The number of a scoop`, ...scoopNumbers);
};
