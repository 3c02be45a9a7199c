import { t } from '@lingui/core/macro';
import { ArrowUp } from 'lucide-react';
import { typedUnit } from '@jokul/core';
import { sayMass, saidFigure, useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { figureOf, nameOf, type Detail, type Kind, type Thing } from './kinds';

/** A detail in a few words, in the units of the device. */
const say = ({ key, ask, usual, said = '#' }: Detail, thing: Thing, units: 'metric' | 'us'): string => {
  const value = thing[key] ?? usual;
  if (ask.as === 'words') return Array.isArray(value) ? said.replace('#', value.join(', ')) : '';
  if (ask.as === 'choice') return said.replace('#', ask.choices.find(([v]) => v === value)?.[1] ?? '');
  if (typeof value !== 'number' || ask.as === 'text') return '';
  const { kind, factor } = figureOf(ask);
  const figure =
    ask.as === 'percent'
      ? `${Math.round(value * 100)} %`
      : ask.as === 'mass'
        ? sayMass(value, units)
        : `${saidFigure(value * factor, kind, units)} ${typedUnit(kind, units)}`.trim();
  return said.replace('#', figure);
};

interface ThingRowProps {
  readonly kind: Kind;
  readonly thing: Thing;
  readonly busy: boolean;
  /** Undefined for the first one. */
  readonly onUp: (() => void) | undefined;
  readonly onCopy: () => void;
  readonly onRetire: () => void;
  readonly onChange: () => void;
}

/** A thing of the equipment in a few words, and what can be done with it. */
export const ThingRow = ({ kind, thing, busy, onUp, onCopy, onRetire, onChange }: ThingRowProps) => {
  const { units } = useUnits();
  return (
    <li className="flex items-baseline gap-3 border-t py-1.5">
      <span className={`min-w-0 flex-1 ${thing.retired ? 'text-ink-faint' : ''}`}>
        <span className="font-medium">{nameOf(thing)}</span>
        {thing.retired && t` (retired)`}
        <span className="figures block text-[13px] text-ink-soft">
          {kind.details
            .map((detail) => say(detail, thing, units))
            .filter(Boolean)
            .join(', ')}
        </span>
      </span>
      <span className="flex shrink-0 flex-wrap justify-end gap-1">
        {onUp && (
          <Button
            size="small"
            look="quiet"
            disabled={busy}
            aria-label={t`Move ${nameOf(thing)} up`}
            icon={<ArrowUp size={14} aria-hidden />}
            onClick={onUp}
          />
        )}
        <Button
          size="small"
          disabled={busy}
          aria-label={t`Copy ${nameOf(thing)}`}
          onClick={onCopy}
        >{t`Copy`}</Button>
        <Button
          size="small"
          disabled={busy}
          aria-label={`${thing.retired ? t`Use again` : t`Retire`} ${nameOf(thing)}`}
          onClick={onRetire}
        >
          {thing.retired ? t`Use again` : t`Retire`}
        </Button>
        <Button
          size="small"
          disabled={busy}
          aria-label={t`Change ${nameOf(thing)}`}
          onClick={onChange}
        >{t`Change`}</Button>
      </span>
    </li>
  );
};
