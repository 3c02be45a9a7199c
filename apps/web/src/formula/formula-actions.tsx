import { t } from '@lingui/core/macro';
import { Pencil, Printer, Redo2, Undo2 } from 'lucide-react';
import type { Formula } from '@jokul/core';
import { Button } from '../ui/button';
import { redo, undo } from './draft-store';
import { MoreActions } from './more-actions';
import type { FormulaDraft } from './use-formula-draft';

interface FormulaActionsProps {
  readonly formula: Formula;
  readonly latest: Formula;
  readonly edit: FormulaDraft;
  /** Whether what was changed holds together. */
  readonly sound: boolean;
  readonly changed: boolean;
  /** Codes that other formulas have. */
  readonly taken: readonly string[];
  readonly doughG: number;
}

/** What can be done with a formula: while it is read, and while it is edited. */
export const FormulaActions = ({
  formula,
  latest,
  edit,
  sound,
  changed,
  taken,
  doughG,
}: FormulaActionsProps) =>
  edit.draft ? (
    <>
      <Button
        icon={<Undo2 size={16} />}
        disabled={!edit.canUndo}
        onClick={() => undo()}
        title={t`Ctrl Z`}
      >{t`Undo`}</Button>
      <Button
        icon={<Redo2 size={16} />}
        disabled={!edit.canRedo}
        onClick={() => redo()}
        title={t`Ctrl Shift Z`}
      >{t`Redo`}</Button>
      <Button onClick={edit.close}>{t`Discard changes`}</Button>
      <Button
        look="primary"
        disabled={!sound || !changed || edit.saving}
        onClick={() => edit.store(formula, latest)}
      >
        {t`Save as version ${latest.version + 1}`}
      </Button>
    </>
  ) : (
    <>
      <Button icon={<Printer size={16} />} onClick={() => window.print()}>{t`Print`}</Button>
      <MoreActions formula={formula} taken={taken} doughG={doughG} />
      <Button look="primary" icon={<Pencil size={16} />} onClick={() => edit.begin(latest)}>{t`Edit`}</Button>
    </>
  );
