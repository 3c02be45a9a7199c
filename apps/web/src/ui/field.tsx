import { useId, type InputHTMLAttributes, type ReactNode, type SelectHTMLAttributes } from 'react';

const box =
  'w-full rounded-md border border-line-strong bg-raised px-2 py-1.5 text-ink thumb disabled:opacity-50 aria-[invalid=true]:border-hand aria-[invalid=true]:border-2';

interface Labelled {
  readonly label: ReactNode;
  readonly error?: string | undefined;
  readonly hint?: ReactNode;
  readonly hideLabel?: boolean;
}

const Frame = ({
  id,
  label,
  error,
  hint,
  hideLabel,
  children,
}: Labelled & { id: string; children: ReactNode }) => (
  <div className="min-w-0">
    <label htmlFor={id} className={hideLabel ? 'sr-only' : 'mb-1 block text-[13px] text-ink-soft'}>
      {label}
    </label>
    {children}
    {error ? (
      <p id={`${id}-error`} role="alert" className="mt-1 text-[13px] font-medium text-hand">
        {error}
      </p>
    ) : (
      hint && <p className="mt-1 text-[12.5px] text-ink-faint">{hint}</p>
    )}
  </div>
);

/** A labelled input; numbers line up. */
export const Field = ({
  label,
  error,
  hint,
  hideLabel,
  className = '',
  ...rest
}: Labelled & InputHTMLAttributes<HTMLInputElement>) => {
  const id = useId();
  const figures = rest.type === 'number' || rest.type === 'time' ? 'figures text-right' : '';
  return (
    <Frame id={id} label={label} error={error} hint={hint} hideLabel={hideLabel}>
      <input
        id={id}
        {...rest}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        className={`${box} ${figures} ${className}`}
      />
    </Frame>
  );
};

export const SelectField = ({
  label,
  error,
  hint,
  hideLabel,
  className = '',
  children,
  ...rest
}: Labelled & SelectHTMLAttributes<HTMLSelectElement>) => {
  const id = useId();
  return (
    <Frame id={id} label={label} error={error} hint={hint} hideLabel={hideLabel}>
      <select id={id} {...rest} aria-invalid={error ? true : undefined} className={`${box} ${className}`}>
        {children}
      </select>
    </Frame>
  );
};
