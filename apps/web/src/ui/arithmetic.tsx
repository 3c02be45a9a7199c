import { t } from '@lingui/core/macro';
import type { Figure, Term } from '@jokul/core';
import { useState } from 'react';
import { usePreferences } from '../lib/preferences';
import { useQuantity } from '../lib/said';
import { Said } from './said';

const TermRow = ({ term }: { term: Term }) => {
  const [open, setOpen] = useState(false);
  const quantity = useQuantity();
  const { shown } = term;
  return (
    <>
      <tr className="border-t align-top">
        <td className="py-1 pr-2 figures text-[13px] whitespace-nowrap">{term.symbol}</td>
        <td className="py-1 pr-2">
          <Said>{term.name}</Said>
          {term.source && (
            <span className="block text-[12px] text-ink-faint">
              <Said>{term.source}</Said>
            </span>
          )}
        </td>
        <td className="py-1 text-right figures whitespace-nowrap">
          {shown ? (
            <button
              type="button"
              className="underline decoration-dotted underline-offset-4"
              aria-expanded={open}
              onClick={() => setOpen(!open)}
            >
              {quantity(term)}
            </button>
          ) : (
            quantity(term)
          )}
        </td>
      </tr>
      {open && shown && (
        <tr>
          <td colSpan={3} className="pb-2 pl-3">
            <Arithmetic figure={shown} />
          </td>
        </tr>
      )}
    </>
  );
};

/** How a figure came about: relation, figures put in, where each is from. */
export const Arithmetic = ({ figure }: { figure: Figure }) => {
  const units = usePreferences((own) => own.units);
  return (
    <div className="space-y-2">
      <div>
        <p className="font-semibold">
          <Said>{figure.name}</Said>
        </p>
        <p className="figures text-[13px] text-ink-soft">{figure.relation}</p>
        {figure.filled && <p className="figures mt-0.5 text-[13px]">{figure.filled}</p>}
        {figure.filled && units === 'us' && (
          <p className="text-[12px] text-ink-faint">{t`Reckoned in grams, °C and millimetres.`}</p>
        )}
      </div>
      <table className="w-full text-[13.5px]">
        <tbody>
          {figure.terms.map((term, i) => (
            <TermRow key={`${term.symbol}-${i}`} term={term} />
          ))}
        </tbody>
      </table>
      <p className="text-[12.5px] text-ink-soft">{t`Source: ${figure.source}`}</p>
      {figure.note && (
        <p className="border-l-2 border-line-strong pl-2 text-[12.5px] text-ink-soft">
          <Said>{figure.note}</Said>
        </p>
      )}
    </div>
  );
};
