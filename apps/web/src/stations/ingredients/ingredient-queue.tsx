import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { useLocation } from 'react-router';
import { isShipped, type Ingredient } from '@jokul/core';
import { QueueItem } from '../../ui/queue-item';

interface IngredientQueueProps {
  readonly all: readonly Ingredient[];
  /** Which one is looked at. */
  readonly current: string;
}

/** All ingredients, to be found by any words of their names. */
export const IngredientQueue = ({ all, current }: IngredientQueueProps) => {
  const { search } = useLocation();
  const [filter, setFilter] = useState('');
  const wanted = filter.toLowerCase().split(/\s+/);
  const shown = all.filter(({ name, words, kind }) => {
    const text = `${name} ${words.join(' ')} ${kind}`.toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
  return (
    <>
      <p className="px-3 pb-2">
        <input
          aria-label={t`Find an ingredient`}
          value={filter}
          placeholder={t`Find …`}
          onChange={(event) => setFilter(event.target.value)}
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
          detail={item.kind}
        />
      ))}
      {shown.length === 0 && <p className="px-3 text-[13.5px] text-ink-soft">{t`Nothing by that name.`}</p>}
    </>
  );
};
