import { t } from '@lingui/core/macro';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Active,
  type DragEndEvent,
  type Over,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus } from 'lucide-react';
import {
  amountsFor,
  heldBackOf,
  heldBackShare,
  named,
  totalPercent,
  type Formula,
  type FormulaStage,
  type Topping,
} from '@jokul/core';
import { useUnits } from '../lib/units';
import { useDraft } from './draft-store';
import { AddButton, LineRow } from './line-row';
import { ToppingChoice, toppingPrefix } from './topping-way';
import { SortableStage, StageHead, StageLines } from './stage-rows';

/** What a screen reader hears while a stage is carried; the names are the baker's, never ids. */
const saidWhileMoved = (stages: readonly FormulaStage[]) => {
  const at = (id: string | number) => stages.findIndex((stage) => stage.id === id) + 1;
  const name = ({ id }: Active) => stages[at(id) - 1]?.name ?? '';
  const count = stages.length;
  const onPlace = ({ active, over }: { active: Active; over: Over | null }) =>
    over ? t`${name(active)}: place ${at(over.id)} of ${count}.` : undefined;
  return {
    screenReaderInstructions: {
      draggable: t`Space takes the stage, the arrow keys move it, Space puts it down, Escape leaves it where it was.`,
    },
    announcements: {
      onDragStart: ({ active }: { active: Active }) => t`Stage ${name(active)} taken.`,
      onDragOver: onPlace,
      onDragEnd: ({ active, over }: { active: Active; over: Over | null }) =>
        over ? t`${name(active)} put down at place ${at(over.id)} of ${count}.` : undefined,
      onDragCancel: ({ active }: { active: Active }) => t`${name(active)} left where it was.`,
    },
  };
};

const Sortable = ({ stages, children }: { stages: readonly FormulaStage[]; children: React.ReactNode }) => {
  const moveStage = useDraft((s) => s.moveStage);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over) return;
    const at = (id: string | number) => stages.findIndex((stage) => stage.id === id);
    moveStage(at(active.id), at(over.id));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={saidWhileMoved(stages)}
    >
      <SortableContext items={stages.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
};

/** Of a topping that is held back of the dough: how much of the whole it is. */
const heldNote = (formula: Formula, topping: Topping): string => {
  const line = heldBackOf(formula, topping);
  if (!line) return '';
  const share = Math.round(heldBackShare(formula, line) * 100);
  return t`, ${share} % of it held back`;
};

/** All of the dough, and what goes on each piece. */
const TableFoot = ({
  formula,
  doughG,
  editing,
}: {
  readonly formula: Formula;
  readonly doughG: number;
  readonly editing: boolean;
}) => {
  const { mass } = useUnits();
  const setTopping = useDraft((s) => s.setTopping);
  const setStage = useDraft((s) => s.setStage);
  const perPercentG = doughG / totalPercent(formula);
  return (
    <tfoot>
      <tr className="border-t border-line-strong font-semibold">
        <td className="py-1">
          {t`Dough`}
          {editing && (
            <button
              type="button"
              className="ml-4 inline-flex items-center gap-1 text-[13px] font-normal text-ink-soft hover:text-ink"
              onClick={() => setStage(formula.stages.length, {})}
            >
              <Plus size={14} aria-hidden /> {t`stage`}
            </button>
          )}
        </td>
        <td className="py-1 pr-3 text-right figures">{totalPercent(formula).toFixed(1)} %</td>
        <td className="py-1 text-right figures">{mass(doughG)}</td>
        {editing && <td />}
      </tr>
      {formula.toppings.map((line, i) => (
        <LineRow
          key={`${line.ingredientId}-${i}`}
          line={line}
          amount={undefined}
          grams={line.percent * perPercentG}
          perPercentG={perPercentG}
          editing={editing}
          prefix={toppingPrefix[line.on ?? 'coat']}
          note={heldNote(formula, line)}
          choice={<ToppingChoice topping={line} onChange={(next) => setTopping(i, next)} />}
          onChange={(next) => setTopping(i, next)}
        />
      ))}
      {editing && (
        <tr>
          <td colSpan={4}>
            <AddButton
              label={t`the toppings`}
              onPick={(food) =>
                setTopping(formula.toppings.length, { ...named(food), percent: 1, on: 'top' })
              }
            />
          </td>
        </tr>
      )}
    </tfoot>
  );
};

/** The stages of a formula and what goes on each piece. */
export const StageTable = ({
  formula,
  doughG,
  editing,
}: {
  formula: Formula;
  doughG: number;
  editing: boolean;
}) => {
  const { mass, unit } = useUnits();
  const amounts = amountsFor(formula, doughG);
  const perPercentG = doughG / totalPercent(formula);
  const table = (
    <table className="w-full">
      <thead className="text-left text-[12.5px] text-ink-soft">
        <tr>
          <th className="py-1 pr-3 font-normal">{t`Ingredient`}</th>
          <th className="w-32 py-1 pr-3 text-right font-normal">{t`Baker’s %`}</th>
          <th className="w-32 py-1 text-right font-normal">
            {editing ? t`${unit('mass')}, for ${mass(doughG)}` : t`for ${mass(doughG)}`}
          </th>
          {editing && <th className="w-8" aria-label={t`Take out`} />}
        </tr>
      </thead>
      {formula.stages.map((stage, index) => {
        const props = { stage, index, amounts, perPercentG, editing };
        return editing ? (
          <SortableStage key={stage.id} {...props} />
        ) : (
          <tbody key={stage.id}>
            <tr>
              <StageHead stage={stage} index={index} editing={false} />
            </tr>
            <StageLines {...props} />
          </tbody>
        );
      })}
      <TableFoot formula={formula} doughG={doughG} editing={editing} />
    </table>
  );
  return editing ? <Sortable stages={formula.stages}>{table}</Sortable> : table;
};
