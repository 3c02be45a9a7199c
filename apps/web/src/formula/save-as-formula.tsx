import { plural, t } from '@lingui/core/macro';
import { Button } from '../ui/button';
import { Field } from '../ui/field';

interface SaveAsFormulaProps {
  readonly title: string;
  readonly code: string;
  readonly onTitle: (title: string) => void;
  readonly onCode: (code: string) => void;
  readonly onSave: () => void;
  /** Whether all is read, answered and named. */
  readonly ready: boolean;
  /** Lines that wait for an answer. */
  readonly asked: number;
  /** Why it could not be saved. */
  readonly problem: string | undefined;
}

/** The name and code of what was read, and the press that makes a formula of it. */
export const SaveAsFormula = ({
  title,
  code,
  onTitle,
  onCode,
  onSave,
  ready,
  asked,
  problem,
}: SaveAsFormulaProps) => (
  <form
    aria-label={t`Save as formula`}
    className="mt-5 grid grid-cols-[minmax(0,1fr)_7rem_auto] items-end gap-3 border-t border-line-strong pt-3"
    onSubmit={(event) => {
      event.preventDefault();
      onSave();
    }}
  >
    <Field
      label={t`Name of the formula`}
      value={title}
      maxLength={80}
      onChange={(event) => onTitle(event.target.value)}
    />
    <Field
      label={t`Code`}
      value={code}
      maxLength={6}
      onChange={(event) => onCode(event.target.value.toUpperCase())}
    />
    <Button type="submit" look="primary" disabled={!ready}>{t`Save as formula`}</Button>
    {(problem !== undefined || asked > 0) && (
      <p role="alert" className="col-span-3 text-[13.5px] text-ink-soft">
        {problem ?? t`${plural(asked, { one: '# line waits', other: '# lines wait' })} for an answer.`}
      </p>
    )}
  </form>
);
