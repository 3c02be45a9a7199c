import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { equipmentToCsv, readEquipmentTable, withTable, type EquipmentTableRow } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { Button } from '../../ui/button';
import { CsvTable, TableLook, type OpenedTable } from '../../ui/csv-table';
import { thingsOf } from './kinds';
import { useChangeEquipment } from './use-equipment';

interface LookProps {
  readonly opened: OpenedTable<EquipmentTableRow>;
  readonly bakery: BakeryView;
  readonly onDone: () => void;
}

/** What a table would do, before it is done. */
const Look = ({ opened, bakery, onDone }: LookProps) => {
  const { change, busy } = useChangeEquipment(bakery);
  const [refused, setRefused] = useState<string | null>(null);
  const { equipment } = bakery;
  const next = withTable(equipment, opened.rows);
  const inIt = (whole: typeof equipment, { kind, thing }: EquipmentTableRow) =>
    kind === null ? undefined : thingsOf(whole, kind).find(({ id }) => id === thing?.id);
  const taken = opened.rows.filter(({ thing }) => thing !== null);
  const added = taken.filter((row) => !inIt(equipment, row));
  const changed = taken.filter(
    (row) => !added.includes(row) && JSON.stringify(inIt(equipment, row)) !== JSON.stringify(inIt(next, row)),
  );
  const count = added.length + changed.length;
  const names = (rows: readonly EquipmentTableRow[]) => rows.map(({ name }) => name).join(', ');
  const take = () =>
    void change(next, t`Equipment loaded from ${opened.name}.`).then((why) =>
      why ? setRefused(why) : onDone(),
    );
  return (
    <TableLook
      label={t`Table of equipment`}
      opened={opened}
      says={
        <>
          <p className="text-ink-soft">
            {t`${added.length} new, ${changed.length} changed, ${opened.rows.length - taken.length} not read. What is not in the table stays as it is.`}
          </p>
          {added.length > 0 && <p className="mt-1 text-[13.5px] text-ink-soft">{t`New: ${names(added)}.`}</p>}
          {changed.length > 0 && (
            <p className="mt-1 text-[13.5px] text-ink-soft">{t`Changed: ${names(changed)}.`}</p>
          )}
        </>
      }
      refused={refused}
      take={
        count > 0 && (
          <Button look="primary" data-changes disabled={busy} onClick={take}>
            {plural(count, { one: 'Load one item', other: 'Load # items' })}
          </Button>
        )
      }
      onLeave={onDone}
    />
  );
};

/** Ovens, trays, mixers, scales, cold places and racks to a spreadsheet and back. */
export const EquipmentTable = ({ bakery }: { readonly bakery: BakeryView }) => (
  <CsvTable
    saveLabel={t`Save as CSV`}
    openLabel={t`Open a CSV of equipment`}
    fileLabel={t`CSV of equipment`}
    fileName="equipment.csv"
    csv={() => equipmentToCsv(bakery.equipment)}
    read={(text) => readEquipmentTable(text, bakery.equipment)}
  >
    {(opened, done) => <Look opened={opened} bakery={bakery} onDone={done} />}
  </CsvTable>
);
