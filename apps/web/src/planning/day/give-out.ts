import { plural, t } from '@lingui/core/macro';
import ical from 'ical-generator';
import { calendars, type CalendarKind } from './calendars';
import { plannedWork, type BatchPlan, type PlannedWork, type Preparation } from '@jokul/core';
import { workVerb } from './work-words';

export interface Names {
  readonly product: (code: string) => string;
  readonly place: (id: string) => string;
}

const summaryOf = (work: PlannedWork, { product, place }: Names): string =>
  [`${workVerb(work)} ${product(work.productCode)}`, work.where && place(work.where)]
    .filter(Boolean)
    .join(', ');

interface Say {
  readonly temperature: (celsius: number) => string;
  readonly mass: (grams: number) => string;
}

/**
 * Work as iCalendar. The same task keeps its id from plan to plan, so that a calendar that is taken in again moves what was
 * there.
 */
export const workToCalendar = (
  works: readonly PlannedWork[],
  name: string,
  names: Names,
  say: Say,
): string => {
  const calendar = ical({ name: t`Jokul: ${name}`, prodId: { company: 'Jokul', product: 'plan' } });
  for (const work of works)
    calendar.createEvent({
      id: `${work.id}@jokul`,
      start: new Date(work.startS * 1000),
      end: new Date(work.endS * 1000),
      summary: summaryOf(work, names),
      description: [
        t`Lot ${work.batchId}`,
        t`${plural(work.pieces, { one: '# piece', other: '# pieces' })}`,
        work.trays === null ? '' : t`${plural(work.trays, { one: '# tray', other: '# trays' })}`,
        work.setC === null ? '' : say.temperature(work.setC),
        work.massG === null ? '' : t`${say.mass(work.massG)} of it`,
      ]
        .filter(Boolean)
        .join(', '),
    });
  return calendar.toString();
};

/** The plan as a calendar for the bench, or for the ovens. */
export const planToCalendar = (
  batches: readonly BatchPlan[],
  kind: CalendarKind,
  names: Names,
  say: Say,
  preparations: readonly Preparation[] = [],
): string => {
  const { name, kinds } = calendars[kind];
  const works = plannedWork(batches, preparations).filter((own) =>
    (kinds as readonly string[]).includes(own.kind),
  );
  return workToCalendar(works, name, names, say);
};
