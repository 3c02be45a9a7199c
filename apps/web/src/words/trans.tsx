import { i18n } from '@lingui/core';
import { TransNoContext, type TransProps } from '@lingui/react/server';

/*
 * The language of a page never changes while it is open (Setup loads it anew), so that a sentence with elements in it needs
 * no context around the application.
 */

/** A name that somebody gave is said as it is: within a sentence, `<1>` in it would count as the mark of an element. */
const asItIs = (value: unknown): unknown =>
  typeof value === 'string' && value.includes('<') ? <>{value}</> : value;

/** What `<Trans>` becomes: one sentence with elements in it, in the language of this page. */
export const Trans = ({ values, ...props }: TransProps) => (
  <TransNoContext
    {...props}
    {...(values && {
      values: Object.fromEntries(Object.entries(values).map(([name, value]) => [name, asItIs(value)])),
    })}
    lingui={{ i18n }}
  />
);
