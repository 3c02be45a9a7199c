import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { GripVertical, Plus, X } from 'lucide-react';
import {
  amountsFor,
  formatNumber,
  ingredients,
  totalPercent,
  type Amount,
  type Formula,
  type FormulaLine,
  type FormulaStage,
} from '@jokul/core';
import { useUnits } from '../../lib/units';
import { Shown } from '../../ui/shown';
import { useDraft } from './draft-store';
import { IngredientPicker } from './ingredient-picker';
import { NumberCell } from './number-cell';

const nameOf = (id: string) => ingredients.get(id)?.name ?? id;

const AddButton = ({ onPick, label }: { onPick: (id: string) => void; label: string }) => (
  <IngredientPicker label={`Ingredient to add to ${label}`} onPick={onPick}>
    <button
      type="button"
      aria-label={`Add an ingredient to ${label}`}
      className="inline-flex items-center gap-1 py-1 text-[13px] text-ink-soft hover:text-ink"
    >
      <Plus size={14} aria-hidden /> ingredient
    </button>
  </IngredientPicker>
);

interface RowProps {
  readonly line: FormulaLine;
  readonly amount: Amount | undefined;
  readonly grams: number;
  readonly perPercentG: number;
  readonly editing: boolean;
  readonly prefix?: string;
  readonly onChange: (line: FormulaLine | null) => void;
  readonly onMove?: (by: 1 | -1) => void;
}

/** An ingredient: percent and grams, either of them editable. */
const LineRow = ({ line, amount, grams, perPercentG, editing, prefix = '', onChange, onMove }: RowProps) => {
  const { mass } = useUnits();
  const name = nameOf(line.ingredientId);
  const isButter = ingredients.get(line.ingredientId)?.kind === 'butter';
  return (
    <tr className="border-t">
      <td className="py-0.5 pr-3">
        {prefix}
        {name}
        {editing && isButter && !prefix ? (
          <label className="ml-3 inline-flex items-center gap-1 text-[13px] text-ink-soft">
            <input
              type="checkbox"
              checked={line.browned ?? false}
              onChange={(event) => {
                const { browned: _, ...rest } = line;
                onChange(event.target.checked ? { ...rest, browned: true } : rest);
              }}
            />
            to brown
          </label>
        ) : (
          line.browned && <span className="text-ink-faint">, to brown</span>
        )}
      </td>
      <td className="py-0.5 pr-3 text-right figures">
        {editing ? (
          <NumberCell
            label={`Percent, ${prefix}${name}`}
            value={line.percent}
            min={0.01}
            max={500}
            {...(onMove && { onMove })}
            onCommit={(percent) => onChange({ ...line, percent })}
          />
        ) : (
          `${formatNumber(line.percent)} %`
        )}
      </td>
      <td className="py-0.5 text-right figures">
        {editing ? (
          <NumberCell
            label={`Grams, ${prefix}${name}`}
            value={grams}
            min={0.01 * perPercentG}
            max={500 * perPercentG}
            // Grams are a way to write percent: the other grams follow when the dough is scaled to its mass again.
            onCommit={(next) => onChange({ ...line, percent: Number((next / perPercentG).toFixed(3)) })}
          />
        ) : amount ? (
          <Shown figure={amount.mass}>{mass(amount.mass.value)}</Shown>
        ) : (
          mass(grams)
        )}
      </td>
      {editing && (
        <td className="text-right">
          <button
            type="button"
            aria-label={`Take out ${name}`}
            className="rounded p-1 text-ink-faint hover:text-ink"
            onClick={() => onChange(null)}
          >
            <X size={14} aria-hidden />
          </button>
        </td>
      )}
    </tr>
  );
};

const StageHead = ({
  stage,
  index,
  editing,
  handle,
}: {
  stage: FormulaStage;
  index: number;
  editing: boolean;
  handle?: React.ReactNode;
}) => {
  const setStage = useDraft((s) => s.setStage);
  if (!editing)
    return (
      <th colSpan={3} className="border-t border-line-strong pt-2 pb-0.5 text-left">
        <span className="font-semibold">{stage.name}</span>{' '}
        <span className="text-[13px] font-normal text-ink-faint">{stage.cue}</span>
      </th>
    );
  return (
    <th colSpan={4} className="border-t border-line-strong pt-2 pb-1 text-left font-normal">
      <span className="flex items-center gap-2">
        {handle}
        <input
          aria-label={`Name of stage ${index + 1}`}
          key={`${stage.id}-${stage.name}`}
          defaultValue={stage.name}
          maxLength={80}
          onBlur={(event) => {
            const name = event.target.value.trim();
            if (name && name !== stage.name) setStage(index, { name });
          }}
          className="w-36 rounded border border-line bg-raised px-1.5 py-0.5 font-semibold"
        />
        <input
          aria-label={`Cue of ${stage.name}`}
          key={`${stage.id}-${stage.cue}`}
          defaultValue={stage.cue}
          maxLength={400}
          placeholder="What to do, and when to stop"
          onBlur={(event) => {
            if (event.target.value !== stage.cue) setStage(index, { cue: event.target.value });
          }}
          className="min-w-0 flex-1 rounded border border-line bg-raised px-1.5 py-0.5 text-[13px]"
        />
        <button
          type="button"
          aria-label={`Take out the stage ${stage.name}`}
          disabled={stage.lines.length > 0}
          title={stage.lines.length > 0 ? 'Take its ingredients out first' : undefined}
          className="rounded p-1 text-ink-faint hover:text-ink disabled:opacity-30"
          onClick={() => setStage(index, null)}
        >
          <X size={14} aria-hidden />
        </button>
      </span>
    </th>
  );
};

interface StageProps {
  readonly stage: FormulaStage;
  readonly index: number;
  readonly amounts: readonly Amount[];
  readonly perPercentG: number;
  readonly editing: boolean;
}

const StageLines = ({ stage, index, amounts, perPercentG, editing }: StageProps) => {
  const setLine = useDraft((s) => s.setLine);
  const addLine = useDraft((s) => s.addLine);
  const moveLine = useDraft((s) => s.moveLine);
  return (
    <>
      {stage.lines.map((line, lineIndex) => {
        const amount = amounts.find((a) => a.stageId === stage.id && a.line === line);
        return (
          <LineRow
            key={`${line.ingredientId}-${lineIndex}`}
            line={line}
            amount={amount}
            grams={amount?.mass.value ?? line.percent * perPercentG}
            perPercentG={perPercentG}
            editing={editing}
            onChange={(next) => setLine(index, lineIndex, next)}
            onMove={(by) => moveLine(index, lineIndex, by)}
          />
        );
      })}
      {editing && (
        <tr>
          <td colSpan={4}>
            <AddButton
              label={stage.name}
              onPick={(ingredientId) => addLine(index, { ingredientId, percent: 1 })}
            />
          </td>
        </tr>
      )}
    </>
  );
};

/** A stage that can be taken by its handle: with the pointer, or with Space and the arrow keys. */
const SortableStage = (props: StageProps) => {
  const { stage, index } = props;
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({
      id: stage.id,
    });
  return (
    <tbody
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
      className={isDragging ? 'relative z-10 bg-raised shadow-lg' : ''}
    >
      <tr>
        <StageHead
          stage={stage}
          index={index}
          editing
          handle={
            <button
              type="button"
              ref={setActivatorNodeRef}
              {...attributes}
              {...listeners}
              aria-label={`Move the stage ${stage.name}`}
              className="cursor-grab touch-none rounded p-1 text-ink-faint hover:text-ink"
            >
              <GripVertical size={15} aria-hidden />
            </button>
          }
        />
      </tr>
      <StageLines {...props} />
    </tbody>
  );
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
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext items={stages.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
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
  const { mass } = useUnits();
  const setTopping = useDraft((s) => s.setTopping);
  const setStage = useDraft((s) => s.setStage);
  const amounts = amountsFor(formula, doughG);
  const perPercentG = doughG / totalPercent(formula);
  const table = (
    <table className="w-full">
      <thead className="text-left text-[12.5px] text-ink-soft">
        <tr>
          <th className="py-1 pr-3 font-normal">Ingredient</th>
          <th className="w-32 py-1 pr-3 text-right font-normal">Flour = 100</th>
          <th className="w-32 py-1 text-right font-normal">for {mass(doughG)}</th>
          {editing && <th className="w-8" aria-label="Take out" />}
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
      <tfoot>
        <tr className="border-t border-line-strong font-semibold">
          <td className="py-1">
            Dough
            {editing && (
              <button
                type="button"
                className="ml-4 inline-flex items-center gap-1 text-[13px] font-normal text-ink-soft hover:text-ink"
                onClick={() => setStage(formula.stages.length, {})}
              >
                <Plus size={14} aria-hidden /> stage
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
            prefix="On each piece: "
            onChange={(next) => setTopping(i, next)}
          />
        ))}
        {editing && (
          <tr>
            <td colSpan={4}>
              <AddButton
                label="the toppings"
                onPick={(ingredientId) => setTopping(formula.toppings.length, { ingredientId, percent: 1 })}
              />
            </td>
          </tr>
        )}
      </tfoot>
    </table>
  );
  return editing ? <Sortable stages={formula.stages}>{table}</Sortable> : table;
};
