import { t } from '@lingui/core/macro';
import { CalendarDays } from 'lucide-react';
import { useState } from 'react';
import { useLocation } from 'react-router';
import { handLists, inUse, ovenShift, plannedWork, type HandList } from '@jokul/core';
import { useNames } from '../../line/actions';
import { NeedPlan } from '../../line/need-plan';
import { brought } from '../../lib/brought';
import { useWallClock } from '../../lib/clock';
import { useBakery, useDay } from '../../lib/queries';
import { saveFile } from '../../lib/save-file';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { SelectField } from '../../ui/field';
import { PrintPage } from '../../ui/print-page';
import { Loading } from '../../ui/states';
import { IngredientsSheet } from './ingredients-sheet';
import { OvenTable, Sheet, WorkTable } from './work-sheets';

const fileName = (name: string) => name.toLowerCase().replace(/[^\p{L}\d]+/gu, '-');

const SaveCalendar = ({ list }: { readonly list: HandList }) => {
  const { product, oven, mixer } = useNames();
  const { temperature, mass } = useUnits();
  const date = useDay().data?.date ?? '';
  const place = (id: string) => (oven(id) === id ? mixer(id) : oven(id));
  return (
    <Button
      icon={<CalendarDays size={16} aria-hidden />}
      onClick={() =>
        void brought(() => import('./give-out')).then(({ workToCalendar }) =>
          saveFile(
            `${date}-${fileName(list.name)}.ics`,
            'text/calendar',
            workToCalendar(list.works, list.name, { product, place }, { temperature, mass }),
          ),
        )
      }
    >{t`As a calendar`}</Button>
  );
};

const Lists = () => {
  const { data } = useBakery();
  const day = useDay();
  const { search } = useLocation();
  const wall = useWallClock();
  const [whose, setWhose] = useState('all');
  if (!data || !day.data?.plan) return <Loading what={t`the lists`} />;
  const { plan, preparations = [] } = day.data.plan;
  const { calendar } = data.equipment;
  const atOvens = ovenShift(data.equipment, 'Oven hand');
  const shifts = [...data.equipment.shifts, ...(atOvens ? [atOvens] : [])];
  const works = plannedWork(plan.batches, preparations);
  const { hands, open } = handLists(works, shifts, calendar, data.rules.timeZone);
  const loads = plan.batches.flatMap((batch) => batch.loads);
  const bakes = (id: string) => loads.some(({ ovenId }) => ovenId === id);
  const ovens = inUse(data.equipment, bakes).ovens.filter(({ id }) => bakes(id));
  const nearMs = Math.min(...loads.map(({ startS }) => startS)) * 1000;
  const chosen = hands.find(({ name }) => whose === `hand ${name}`);
  const shows = (id: string) => whose === 'all' || whose === id;
  return (
    <PrintPage
      title={t`Work lists, ${wall.day(day.data.date)}`}
      lead={t`Who does what when, and what each oven bakes. Who does it is a proposal: swap as you like. What is done is pressed on Floor.`}
      back={`/day${search}`}
      backName={t`Back to the day`}
      choices={
        <>
          <SelectField label={t`Whose`} value={whose} onChange={(event) => setWhose(event.target.value)}>
            <option value="all">{t`everybody, a sheet each`}</option>
            {hands.map(({ name }) => (
              <option key={name} value={`hand ${name}`}>
                {name}
              </option>
            ))}
            <option value="ingredients">{t`ingredients`}</option>
            {ovens.map(({ id, name }) => (
              <option key={id} value={`oven ${id}`}>
                {name}
              </option>
            ))}
          </SelectField>
          {chosen && <SaveCalendar list={chosen} />}
        </>
      }
    >
      {loads.length === 0 && (
        <p className="text-ink-soft">{t`No load could be placed: there is nothing to do yet.`}</p>
      )}
      {shows('ingredients') && <IngredientsSheet batches={plan.batches} bakery={data} />}
      {hands
        .filter(({ name }) => shows(`hand ${name}`))
        .map((list) => (
          <Sheet key={list.name} title={list.name}>
            <WorkTable works={list.works} nearMs={nearMs} />
          </Sheet>
        ))}
      {whose === 'all' && open.length > 0 && (
        <Sheet title={t`Whoever has a hand free`}>
          <WorkTable works={open} nearMs={nearMs} />
        </Sheet>
      )}
      {ovens
        .filter(({ id }) => shows(`oven ${id}`))
        .map(({ id, name }) => (
          <Sheet key={id} title={name}>
            <OvenTable ovenId={id} nearMs={nearMs} />
          </Sheet>
        ))}
    </PrintPage>
  );
};

/** What each person does of a day's plan, and what each oven does, each as a list of its own. */
export const ListsPage = () => (
  <NeedPlan>
    <Lists />
  </NeedPlan>
);
