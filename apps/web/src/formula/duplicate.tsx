import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import type { Formula } from '@jokul/core';
import { freeCode } from './free-code';
import { useNewFormula } from '../lib/queries';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field } from '../ui/field';
import { Said } from '../ui/said';

/** A copy of the formula under another code, to try something on; the one it comes from stays as it is. */
export const Duplicate = ({
  formula,
  taken,
  onClose,
}: {
  formula: Formula;
  taken: readonly string[];
  onClose: () => void;
}) => {
  const [code, setCode] = useState(freeCode(formula.code, taken));
  const [name, setName] = useState(t`${formula.name}, trial`);
  const create = useNewFormula();
  const navigate = useNavigate();
  const make = async () => {
    const { version: _, ...body } = structuredClone(formula);
    try {
      const made = await create.mutateAsync({ ...body, code, name } as Parameters<
        typeof create.mutateAsync
      >[0]);
      toast(t`${made.name} is made. Change what the trial is about.`);
      onClose();
      void navigate(`/formula/${made.code}`);
    } catch {
      // The refusal stands under the fields.
    }
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={t`Duplicate as a trial`}
      lead={t`Everything is copied; its versions start from 1.`}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <div className="grid grid-cols-[7rem_1fr] gap-3">
          <Field
            label={t`Code`}
            value={code}
            maxLength={6}
            onChange={(event) => setCode(event.target.value.toUpperCase())}
          />
          <Field
            label={t`Name`}
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
        </div>
        {create.error && (
          <p role="alert" className="mt-2 text-[13.5px] font-medium text-hand">
            <Said>{create.error.message}</Said>
          </p>
        )}
        <div className="mt-4 flex justify-end gap-2">
          <Button onClick={onClose}>{t`Cancel`}</Button>
          <Button type="submit" look="primary" disabled={create.isPending}>{t`Create trial`}</Button>
        </div>
      </form>
    </Dialog>
  );
};
