import { t } from '@lingui/core/macro';
import {
  createSortedRowModel,
  rowSortingFeature,
  sortFns,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp, Ruler } from 'lucide-react';
import { useMemo } from 'react';
import { sayDuration, spreadRatio, type TrayState } from '@jokul/core';
import { useNames } from '../line/actions';
import { countdown, useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Shown } from '../ui/shown';

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel(), sortFns });
type Column = ColumnDef<typeof features, TrayState>;

const bakedS = (tray: TrayState) => (tray.pulled ? (tray.pulled.atMs - tray.loaded.atMs) / 1000 : null);
/** Seconds beyond the plan from which a pull counts as late or early. */
const noticeS = 45;

const measured = (
  id: string,
  header: string,
  of: (tray: TrayState) => number | undefined,
  say: (value: number) => string,
): Column => ({
  id,
  header,
  accessorFn: (tray) => of(tray) ?? -1,
  cell: ({ row }) => {
    const value = of(row.original);
    return value === undefined ? '' : say(value);
  },
});

/** What was planned, and what happened. */
const happenedColumns = (oven: (id: string) => string, time: (ms: number) => string): readonly Column[] => [
  {
    id: 'tray',
    header: t`Tray`,
    accessorFn: (tray) => tray.trayId,
    cell: ({ row }) => row.original.trayId.split('-').slice(-2).join(' '),
  },
  {
    id: 'oven',
    header: t`Oven`,
    accessorFn: (tray) => tray.ovenId,
    cell: ({ row }) => <span className="font-sans">{oven(row.original.ovenId)}</span>,
  },
  {
    id: 'loaded',
    header: t`Loaded`,
    accessorFn: (tray) => tray.loaded.atMs,
    cell: ({ row }) => time(row.original.loaded.atMs),
  },
  {
    id: 'baked',
    header: t`Baked`,
    accessorFn: (tray) => bakedS(tray) ?? 0,
    cell: ({ row }) => {
      const seconds = bakedS(row.original);
      if (seconds === null) return t`in the oven`;
      const off = seconds - row.original.pullS;
      return (
        <span
          className={Math.abs(off) > noticeS ? 'font-semibold text-hand' : ''}
          title={t`planned ${sayDuration(row.original.pullS)}`}
        >
          {countdown(seconds * 1000)}
          {Math.abs(off) > noticeS && ` (${off > 0 ? '+' : ''}${countdown(off * 1000)})`}
        </span>
      );
    },
  },
];

/** What was measured, in the units of the device. */
const measuredColumns = ({ temperature, label, figure }: ReturnType<typeof useUnits>): readonly Column[] => [
  measured(
    'core',
    t`Core`,
    (tray) => tray.inspected?.coreC,
    (t) => temperature(t, 1),
  ),
  measured(
    'diameter',
    label('Ø', 'length'),
    (tray) => tray.inspected?.diameterMm,
    (mm) => figure(mm, 'length'),
  ),
  measured(
    'height',
    label('H', 'length'),
    (tray) => tray.inspected?.heightMm,
    (mm) => figure(mm, 'length'),
  ),
  {
    id: 'ratio',
    header: 'Ø/H',
    accessorFn: (tray) => (tray.inspected?.diameterMm ?? 0) / (tray.inspected?.heightMm ?? 1),
    cell: ({ row }) => {
      const { diameterMm, heightMm } = row.original.inspected ?? {};
      return diameterMm && heightMm ? <Shown figure={spreadRatio(diameterMm, heightMm)} /> : '';
    },
  },
  measured(
    'loss',
    t`Loss`,
    (tray) => tray.inspected?.lossShare,
    (share) => `${(share * 100).toFixed(1)} %`,
  ),
  measured('colour', t`Colour`, (tray) => tray.inspected?.colourScore, String),
];

const actionColumn = (onMeasure: (tray: TrayState) => void): Column => ({
  id: 'measure',
  header: '',
  enableSorting: false,
  cell: ({ row }) =>
    row.original.pulled && (
      <Button
        size="small"
        look="quiet"
        icon={<Ruler size={14} />}
        aria-label={t`Measure ${row.original.trayId}`}
        onClick={() => onMeasure(row.original)}
      >
        {row.original.inspected ? t`again` : t`measure`}
      </Button>
    ),
});

const Head = ({ table }: { readonly table: ReturnType<typeof useTable<typeof features, TrayState>> }) => (
  <thead className="text-left text-[12.5px] text-ink-soft">
    {table.getHeaderGroups().map((group) => (
      <tr key={group.id}>
        {group.headers.map((header) => {
          const sorted = header.column.getIsSorted();
          return (
            <th
              key={header.id}
              className="py-1 pr-3 font-normal"
              aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
            >
              {header.column.getCanSort() ? (
                <button
                  type="button"
                  onClick={header.column.getToggleSortingHandler()}
                  className="inline-flex items-center gap-0.5 hover:text-ink"
                >
                  <table.FlexRender header={header} />
                  {sorted === 'asc' && <ArrowUp size={12} />}
                  {sorted === 'desc' && <ArrowDown size={12} />}
                </button>
              ) : (
                <table.FlexRender header={header} />
              )}
            </th>
          );
        })}
      </tr>
    ))}
  </thead>
);

/** The trays of a lot: what was planned, what happened, what was measured. */
export const TrayTable = ({
  trays,
  onMeasure,
}: {
  trays: readonly TrayState[];
  onMeasure: (tray: TrayState) => void;
}) => {
  const wall = useWallClock();
  const names = useNames();
  const units = useUnits();
  const columns = useMemo(
    () => [...happenedColumns(names.oven, wall.time), ...measuredColumns(units), actionColumn(onMeasure)],
    [names, onMeasure, units, wall],
  );
  const data = useMemo(() => [...trays], [trays]);
  const table = useTable({ features, columns, data });
  const notes = trays.filter((tray) => tray.inspected?.note);
  return (
    <>
      <div className="table-room">
        <table className="w-full">
          <Head table={table} />
          <tbody className="figures">
            {table.getRowModel().rows.map((row) => (
              <tr key={row.id} className="border-t">
                {row.getAllCells().map((cell) => (
                  <td key={cell.id} className="py-0.5 pr-3 whitespace-nowrap">
                    <table.FlexRender cell={cell} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {notes.map((tray) => (
        <p key={tray.trayId} className="mt-1 text-[13.5px]">
          <span className="figures text-ink-soft">{tray.trayId.split('-').slice(-2).join(' ')}</span>{' '}
          {tray.inspected?.note}
        </p>
      ))}
    </>
  );
};
