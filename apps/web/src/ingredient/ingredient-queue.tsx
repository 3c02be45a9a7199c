import { t } from '@lingui/core/macro';
import { useLocation } from 'react-router';
import { isShipped, type Ingredient } from '@jokul/core';
import { QueueItem } from '../ui/queue-item';
import { ingredientKindNames } from '../words/names-of-codes';

interface IngredientQueueProps {
  /** Those that the words find. */
  readonly shown: readonly Ingredient[];
  readonly filter: string;
  readonly onFilter: (words: string) => void;
  /** Which one is looked at. */
  readonly current: string;
}

/** Ingredients that any words of their names or kinds find. */
export const found = (all: readonly Ingredient[], filter: string): readonly Ingredient[] => {
  const wanted = filter.toLowerCase().split(/\s+/);
  return all.filter(({ name, words, kind }) => {
    const text = `${name} ${words.join(' ')} ${ingredientKindNames[kind]}`.toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
};

/** The ingredients of the library and the bakery's own, to be found by typing. */
export const IngredientQueue = ({ shown, filter, onFilter, current }: IngredientQueueProps) => {
  const { search } = useLocation();
  return (
    <>
      <p className="px-3 pb-2">
        <input
          aria-label={t`Find an ingredient`}
          value={filter}
          placeholder={t`Find …`}
          onChange={(event) => onFilter(event.target.value)}
          className="w-full rounded-md border border-line-strong bg-raised px-2 py-1"
        />
      </p>
      {shown.map((item) => (
        <QueueItem
          key={item.id}
          to={`/setup/ingredients/${item.id}${search}`}
          active={item.id === current}
          title={item.name}
          side={isShipped(item.id) ? '' : t`own`}
          detail={ingredientKindNames[item.kind]}
        />
      ))}
      {shown.length === 0 && <p className="px-3 text-[13.5px] text-ink-soft">{t`Nothing by that name.`}</p>}
    </>
  );
};
