import { t } from '@lingui/core/macro';
import { Link } from 'react-router';
import { helps, type Help, type HelpKey } from './help-texts';

/** The sentences of a help mark; loaded when the first one is opened. */
export const HelpText = ({ about }: { readonly about: HelpKey }) => {
  const { text, more }: Help = helps[about];
  return (
    <>
      <p>{text}</p>
      <Link
        to={{ pathname: '/models', hash: `#${more}` }}
        className="mt-2 inline-block text-[13px] underline underline-offset-4"
      >{t`How Jokul computes it`}</Link>
    </>
  );
};
