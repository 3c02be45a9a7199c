import { i18n } from '@lingui/core';
import { TransNoContext, type TransProps } from '@lingui/react/server';

/*
 * The language of a page never changes while it is open (Setup loads it anew), so that a sentence with elements in it needs
 * no context around the application.
 */

/** What `<Trans>` becomes: one sentence with elements in it, in the language of this page. */
export const Trans = (props: TransProps) => <TransNoContext {...props} lingui={{ i18n }} />;
