import { t } from '@lingui/core/macro';
import { Pencil } from 'lucide-react';
import { useState } from 'react';
import { sayPacking, type LineAnswer, type ReadResult } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Shown } from '../ui/shown';
import { IngredientPicker } from '../line/ingredient-picker';
import { Said } from '../ui/said';

interface LineProps {
  readonly result: ReadResult;
  readonly answered: boolean;
  /** Its answer is being read: the same question must not be pressed again meanwhile. */
  readonly taking: boolean;
  /** The question stands at an earlier line already, and is answered there for this one too. */
  readonly askedAbove: boolean;
  readonly onAnswer: (answer: LineAnswer | null) => void;
}

/** A choice that is nothing but a figure is how the recipe may be read: it stays in the recipe's own unit. */
const isReading = (label: string) => /^[\d.,]+ \S+$/.test(label);

const WeightEntry = ({ onEnter }: { onEnter: (massG: number) => void }) => {
  const [text, setText] = useState('');
  const { label, typed, unit } = useUnits();
  const massG = typed(text, 'mass');
  const good = massG > 0 && massG <= 1e6;
  return (
    <form
      className="flex items-center gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (good) onEnter(massG);
      }}
    >
      <input
        aria-label={label(t`Weight of this line`, 'mass')}
        inputMode="decimal"
        value={text}
        onChange={(event) => setText(event.target.value)}
        className="figures w-20 rounded border border-line-strong bg-raised px-1.5 py-0.5 text-right"
      />
      <span className="text-[13px] text-ink-soft">{unit('mass')}</span>
      <Button size="small" type="submit" disabled={!good}>{t`Take`}</Button>
    </form>
  );
};

/** What has to be asked before a line can be weighed, with the answers at hand. */
const Question = ({ result, onAnswer }: LineProps) => {
  const { question } = result;
  if (!question) return null;
  return (
    <div className="mt-1 rounded-md border border-hand bg-raised px-3 py-2">
      <p className="mb-1.5 font-medium">
        <Said>{question.sentence}</Said>
      </p>
      <div className="flex flex-wrap items-center gap-1.5">
        {question.choices.map(({ label, answer }) => (
          <Button key={label} size="small" onClick={() => onAnswer(answer)}>
            {isReading(label) ? label : <Said>{label}</Said>}
          </Button>
        ))}
        {question.about === 'ingredient' && (
          <IngredientPicker
            label={t`Ingredient of this line`}
            onPick={({ id }) => onAnswer({ ingredientId: id })}
          >
            <Button size="small">{t`Another …`}</Button>
          </IngredientPicker>
        )}
        {question.about !== 'ingredient' && question.about !== 'unit' && (
          <WeightEntry onEnter={(massG) => onAnswer({ massG })} />
        )}
      </div>
    </div>
  );
};

const Line = (props: LineProps) => {
  const { result, answered, onAnswer } = props;
  const { mass } = useUnits();
  const { line, state, food, mass: figure, rangeG, uncertain, use = 'dough' } = result;
  const apart = use === 'dough' || use === 'topping' ? '' : use === 'other' ? 'apart' : use;
  if (state === 'empty') return null;
  if (state === 'instruction') return <li className="text-[13px] text-ink-faint">{line.text.trim()}</li>;
  if (state === 'heading')
    return <li className="pt-3 text-[13px] font-semibold text-ink-soft">{line.text.trim()}</li>;
  const name = food?.name ?? '';
  return (
    <li className="border-t py-1.5" data-state={state}>
      <div className="grid grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)_7rem_auto] items-baseline gap-x-3">
        <span className={state === 'left-out' ? 'text-ink-faint line-through' : 'text-ink-soft'}>
          {line.text.trim()}
        </span>
        <span>
          {name}
          {line.browned && <span className="text-ink-faint">{t`, to brown`}</span>}
          {(line.topping || use === 'topping') && (
            <span className="text-ink-faint">{t`, on each piece`}</span>
          )}
          {apart && <span className="font-medium">{t`, ${apart}: not in the dough`}</span>}
          {result.packing && result.packing !== 'level' && uncertain.length === 0 && (
            <span className="text-ink-faint">, {sayPacking(result.packing)}</span>
          )}
          {uncertain.length > 0 && (
            <span className="block text-[12.5px] text-ink-soft">{uncertain.join('; ')}</span>
          )}
        </span>
        <span className="text-right figures">
          {figure && <Shown figure={figure}>{mass(figure.value)}</Shown>}
          {rangeG && (
            <span className="block text-[12.5px] text-ink-faint">
              {t`${mass(rangeG[0])} to ${mass(rangeG[1])}`}
            </span>
          )}
          {state === 'left-out' && <span className="text-ink-faint">{t`left out`}</span>}
        </span>
        {answered ? (
          <button
            type="button"
            aria-label={t`Ask again about ${line.text.trim()}`}
            title={t`Ask again`}
            className="rounded p-1 text-ink-faint hover:text-ink"
            onClick={() => onAnswer(null)}
          >
            <Pencil size={14} aria-hidden />
          </button>
        ) : (
          <span className="w-6" />
        )}
      </div>
      {state === 'ask' &&
        (props.taking ? (
          <p role="status" className="text-[13px] text-ink-soft">{t`Reading …`}</p>
        ) : props.askedAbove ? (
          <p className="text-[13px] text-ink-soft">{t`waits for the unit, asked above`}</p>
        ) : (
          <Question {...props} />
        ))}
    </li>
  );
};

/** The recipe as read: every line with its grams, or with its question. */
export const ReadLines = ({
  results,
  answers,
  isReading = false,
  onAnswer,
}: {
  results: readonly ReadResult[];
  answers: Readonly<Record<number, LineAnswer>>;
  /** Whether newer lines or answers than these are being read. */
  isReading?: boolean;
  onAnswer: (line: number, answer: LineAnswer | null) => void;
}) => {
  const firstAboutUnit = results.findIndex(({ question }) => question?.about === 'unit');
  return (
    <ol aria-label={t`Lines as read`}>
      {results.map((result, i) => (
        <Line
          key={`${i}-${result.line.text}`}
          result={result}
          askedAbove={result.question?.about === 'unit' && i > firstAboutUnit}
          answered={answers[i] !== undefined}
          taking={isReading && answers[i] !== undefined}
          onAnswer={(answer) => onAnswer(i, answer)}
        />
      ))}
    </ol>
  );
};
