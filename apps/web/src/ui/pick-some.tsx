interface PickSomeProps<Id> {
  readonly legend: string;
  /** What is shown, and what it is called in full where that is shorter. */
  readonly choices: readonly { readonly id: Id; readonly text: string; readonly name?: string | undefined }[];
  readonly chosen: readonly Id[];
  /** What is chosen then, in the order of the choices. */
  readonly onChoose: (chosen: readonly Id[]) => void;
  readonly hint?: string | undefined;
  readonly error?: string | undefined;
}

/** Some of a few, as boxes to tick. */
export const PickSome = <Id extends string | number>({
  legend,
  choices,
  chosen,
  onChoose,
  hint,
  error,
}: PickSomeProps<Id>) => (
  <fieldset>
    <legend className="mb-1 text-[13px] text-ink-soft">{legend}</legend>
    <div className="flex flex-wrap gap-1">
      {choices.map(({ id, text, name = text }) => {
        const on = chosen.includes(id);
        return (
          <label
            key={id}
            className={`thumb grid min-h-9 min-w-12 cursor-pointer place-items-center rounded-md border px-2 has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink ${on ? 'border-ink bg-inverse text-inverse-ink' : 'border-line-strong bg-raised'}`}
          >
            <input
              type="checkbox"
              className="sr-only"
              aria-label={name}
              checked={on}
              onChange={() =>
                onChoose(
                  choices
                    .map((choice) => choice.id)
                    .filter((own) => (own === id ? !on : chosen.includes(own))),
                )
              }
            />
            <span aria-hidden>{text}</span>
          </label>
        );
      })}
    </div>
    {error ? (
      <p role="alert" className="mt-1 text-[13px] font-medium text-hand">
        {error}
      </p>
    ) : (
      hint && <p className="mt-1 text-[12.5px] text-ink-faint">{hint}</p>
    )}
  </fieldset>
);
