import { t } from '@lingui/core/macro';
import { LoadChangeRow } from '../../line/load-change';
import { useSaysLate } from '../../line/say-late';
import type { useMove } from '../../lib/queries';
import { Said } from '../../ui/said';
import { Loading } from '../../ui/states';
import { BrokenRules } from './broken-rules';

type Move = ReturnType<typeof useMove>;
type Found = NonNullable<Move['data']>;

/** Who is late because of it. */
export const newlyLate = ({ before, after }: Found) =>
  after.filter(
    ({ order, latePieces }) =>
      latePieces > (before.find((late) => late.order.id === order.id)?.latePieces ?? 0),
  );

const Followed = ({ found }: { readonly found: Found }) => {
  const say = useSaysLate();
  const late = newlyLate(found);
  return (
    <>
      {found.faults.length > 0 && (
        <BrokenRules
          says={found.id ? t`It breaks a rule of the floor:` : t`It cannot go there:`}
          faults={found.faults}
        />
      )}
      {late.length > 0 && (
        <>
          <p className="font-semibold text-hand">{t`Late because of it:`}</p>
          <ul className="mb-2 list-disc pl-5">
            {late.map((own) => (
              <li key={own.order.id}>{say(own)}</li>
            ))}
          </ul>
        </>
      )}
      {found.faults.length === 0 && late.length === 0 && <p>{t`It breaks no rule, and nobody is late.`}</p>}
      <ul className="mt-1">
        {found.changes.map((change) => (
          <LoadChangeRow key={change.loadId} change={change} />
        ))}
      </ul>
    </>
  );
};

/** What follows where a load goes there: what breaks, who is late, and what else changes. */
export const WhatFollows = ({ same, move }: { readonly same: boolean; readonly move: Move }) => {
  if (same) return <p className="text-ink-soft">{t`That is where it is.`}</p>;
  if (move.isError)
    return (
      <p role="alert" className="font-medium text-hand">
        <Said>{move.error.message}</Said>
      </p>
    );
  if (!move.data) return <Loading what={t`what follows`} />;
  return (
    <div className={move.isPlaceholderData ? 'opacity-60' : ''}>
      <Followed found={move.data} />
    </div>
  );
};
