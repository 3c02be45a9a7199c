import { t } from '@lingui/core/macro';
import type { UseFormRegisterReturn } from 'react-hook-form';
import type { Formula } from '@jokul/core';
import { Field, SelectField } from '../ui/field';

type Name = 'customer' | 'productCode' | 'pieces' | 'readyBy';

/** Who wants what, how many and by when: the fields that a single and a standing order share. */
export const OrderFields = ({
  listId,
  register,
  errorOf,
  formulas,
  customers,
}: {
  /** Of the list of customers that is offered while one types. */
  readonly listId: string;
  readonly register: (name: Name) => UseFormRegisterReturn;
  readonly errorOf: (name: Name) => string | undefined;
  readonly formulas: readonly Formula[];
  readonly customers: readonly string[];
}) => (
  <>
    <Field
      label={t`For`}
      list={listId}
      autoComplete="off"
      error={errorOf('customer')}
      {...register('customer')}
    />
    <datalist id={listId}>
      {customers.map((name) => (
        <option key={name} value={name} />
      ))}
    </datalist>
    <SelectField label={t`Product`} error={errorOf('productCode')} {...register('productCode')}>
      <option value="">{t`choose …`}</option>
      {formulas.map(({ code, name }) => (
        <option key={code} value={code}>
          {name}
        </option>
      ))}
    </SelectField>
    <Field
      label={t`Pieces`}
      type="number"
      inputMode="numeric"
      error={errorOf('pieces')}
      {...register('pieces')}
    />
    <Field
      label={t`Ready by`}
      inputMode="numeric"
      placeholder="05:40"
      className="figures"
      error={errorOf('readyBy')}
      {...register('readyBy')}
    />
  </>
);
