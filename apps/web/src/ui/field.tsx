import { useId, type InputHTMLAttributes, type ReactNode, type SelectHTMLAttributes } from 'react';

const box =
  'w-full rounded-md border border-line-strong bg-raised px-2 py-1.5 text-ink thumb disabled:opacity-50 aria-[invalid=true]:border-hand aria-[invalid=true]:border-2';

interface Labelled {
  readonly label: ReactNode;
  readonly error?: string | undefined;
  readonly hint?: ReactNode;
  readonly hideLabel?: boolean;
  /** A mark that tells what is meant, beside the label. */
  readonly help?: ReactNode;
}

const Frame = ({
  id,
  label,
  error,
  hint,
  hideLabel,
  help,
  children,
}: Labelled & { id: string; children: ReactNode }) => (
  <div className="min-w-0">
    <div className={hideLabel ? 'sr-only' : 'mb-1 text-[13px] text-ink-soft'}>
      <label htmlFor={id}>{label}</label>
      {help}
    </div>
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
  help,
  className = '',
  ...rest
}: Labelled & InputHTMLAttributes<HTMLInputElement>) => {
  const id = useId();
  const figures = rest.type === 'number' || rest.type === 'time' ? 'figures text-right' : '';
  return (
    <Frame id={id} label={label} error={error} hint={hint} hideLabel={hideLabel} help={help}>
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
  help,
  className = '',
  children,
  ...rest
}: Labelled & SelectHTMLAttributes<HTMLSelectElement>) => {
  const id = useId();
  return (
    <Frame id={id} label={label} error={error} hint={hint} hideLabel={hideLabel} help={help}>
      <select id={id} {...rest} aria-invalid={error ? true : undefined} className={`${box} ${className}`}>
        {children}
      </select>
    </Frame>
  );
};
