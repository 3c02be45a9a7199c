import { t } from '@lingui/core/macro';
import { Download } from 'lucide-react';
import { Suspense, useRef, useState } from 'react';
import { DropdownMenu } from 'radix-ui';
import { planToCsv, type Plan, type Preparation } from '@jokul/core';
import { useNames } from '../../line/actions';
import { saveFile } from '../../lib/save-file';
import { useUnits } from '../../lib/units';
import { buttonClass } from '../../ui/button';
import { calendars, type CalendarKind } from './calendars';
import { brought } from '../../lib/brought';
import { later } from '../../ui/later';
import { FileInput } from '../../ui/file-input';

const ReadPlanDialog = later(() => import('./read-plan'), 'ReadPlanDialog');

const item =
  'block w-full cursor-pointer rounded px-3 py-1.5 text-left text-[14px] outline-none data-[highlighted]:bg-ground';

interface SavePlanProps {
  readonly date: string;
  readonly plan: Plan;
  readonly preparations: readonly Preparation[];
  readonly timeZone: string;
}

const SaveMenu = ({
  date,
  plan,
  preparations,
  timeZone,
  onLoad,
}: SavePlanProps & { readonly onLoad: () => void }) => {
  const { product, oven, mixer } = useNames();
  const { temperature, mass } = useUnits();
  const place = (id: string) => (oven(id) === id ? mixer(id) : oven(id));
  const calendar = (kind: CalendarKind) =>
    void brought(() => import('./give-out')).then(({ planToCalendar }) =>
      saveFile(
        `${date}-${kind}.ics`,
        'text/calendar',
        planToCalendar(plan.batches, kind, { product, place }, { temperature, mass }, preparations),
      ),
    );
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className={`${buttonClass()} gap-1.5 px-3 py-1.5`}>
        <Download size={16} aria-hidden /> {t`Save`}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={4}
          className="z-50 w-64 rounded-lg border border-line-strong bg-surface p-1 shadow-2xl"
        >
          {(Object.keys(calendars) as CalendarKind[]).map((kind) => (
            <DropdownMenu.Item key={kind} className={item} onSelect={() => calendar(kind)}>
              {t`${calendars[kind].name}, as a calendar`}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item
            className={item}
            onSelect={() =>
              saveFile(
                `${date}-plan.csv`,
                'text/csv',
                planToCsv(plan.batches, timeZone, { product, place }, preparations),
              )
            }
          >{t`All work, as CSV`}</DropdownMenu.Item>
          <DropdownMenu.Item
            className={item}
            onSelect={() =>
              saveFile(
                `${date}-plan.json`,
                'application/json',
                `${JSON.stringify({ date, ...plan, preparations }, null, 2)}\n`,
              )
            }
          >{t`The plan, as JSON`}</DropdownMenu.Item>
          <DropdownMenu.Separator className="my-1 border-t" />
          <DropdownMenu.Item
            className={item}
            onSelect={onLoad}
          >{t`Load a plan from JSON …`}</DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
};

/** The plan as files: a calendar for the bench and one for the ovens, a table, and all of it as JSON, which is read again too. */
export const SavePlan = (of: SavePlanProps) => {
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  return (
    <>
      <SaveMenu {...of} onLoad={() => input.current?.click()} />
      <FileInput input={input} label={t`Plan file`} accept="application/json,.json" onChoose={setFile} />
      {file && (
        <Suspense fallback={null}>
          <ReadPlanDialog date={of.date} file={file} onClose={() => setFile(null)} />
        </Suspense>
      )}
    </>
  );
};
