import { t } from '@lingui/core/macro';
import { useSortable } from '@dnd-kit/sortable';
import { GripVertical, X } from 'lucide-react';
import { named, type Amount, type FormulaStage } from '@jokul/core';
import { useSaid } from '../lib/said';
import { useDraft } from './draft-store';
import { HoldBack } from './hold-back';
import { AddButton, LineRow } from './line-row';
import { StageWork } from './stage-work';

/** Name and cue of a stage, to be read or edited. */
export const StageHead = ({
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
  const figures = useSaid((own) => own.figures);
  if (!editing)
    return (
      <th colSpan={3} className="border-t border-line-strong pt-2 pb-0.5 text-left">
        <span className="font-semibold">{stage.name}</span>{' '}
        <span className="text-[13px] font-normal text-ink-faint">{figures(stage.cue)}</span>
      </th>
    );
  return (
    <th colSpan={4} className="border-t border-line-strong pt-2 pb-1 text-left font-normal">
      <span className="flex items-center gap-2">
        {handle}
        <input
          aria-label={t`Name of stage ${index + 1}`}
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
          aria-label={t`Cue of ${stage.name}`}
          key={`${stage.id}-${stage.cue}`}
          defaultValue={stage.cue}
          maxLength={400}
          placeholder={t`What to do, and when to stop`}
          onBlur={(event) => {
            if (event.target.value !== stage.cue) setStage(index, { cue: event.target.value });
          }}
          className="min-w-0 flex-1 rounded border border-line bg-raised px-1.5 py-0.5 text-[13px]"
        />
        <button
          type="button"
          aria-label={t`Take out the stage ${stage.name}`}
          disabled={stage.lines.length > 0}
          title={stage.lines.length > 0 ? t`Take its ingredients out first` : undefined}
          className="rounded p-1 text-ink-faint hover:text-ink disabled:opacity-30"
          onClick={() => setStage(index, null)}
        >
          <X size={14} aria-hidden />
        </button>
      </span>
      <StageWork stage={stage} index={index} />
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

/** The ingredients of a stage. */
export const StageLines = ({ stage, index, amounts, perPercentG, editing }: StageProps) => {
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
            choice={<HoldBack line={line} />}
            onChange={(next) => setLine(index, lineIndex, next)}
            onMove={(by) => moveLine(index, lineIndex, by)}
          />
        );
      })}
      {editing && (
        <tr>
          <td colSpan={4}>
            <AddButton label={stage.name} onPick={(food) => addLine(index, { ...named(food), percent: 1 })} />
          </td>
        </tr>
      )}
    </>
  );
};

/** A stage that can be taken by its handle: with the pointer, or with Space and the arrow keys. */
export const SortableStage = (props: StageProps) => {
  const { stage, index } = props;
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({
      id: stage.id,
      attributes: { roleDescription: t`stage that can be moved` },
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
              aria-label={t`Move the stage ${stage.name}`}
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
