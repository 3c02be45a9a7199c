import { Trans } from '@lingui/react/macro';
import { plural, t } from '@lingui/core/macro';
import { Suspense, useState } from 'react';
import { useJournal } from '../journal/store';
import { Button } from '../ui/button';
import { Alarm } from '../ui/states';
import { later } from '../ui/later';

const MendEntry = later(() => import('./mend-entry'), 'MendEntry');

/** Entries that the server found wrong, one at a time: nothing of them is lost until a person decides. */
export const SetAside = () => {
  const refused = useJournal((s) => s.refused);
  const [mending, setMending] = useState(false);
  const [first] = refused;
  if (!first) return null;
  return (
    <div className="no-print px-4 pt-3">
      <Alarm action={<Button size="small" look="hand" onClick={() => setMending(true)}>{t`Correct`}</Button>}>
        <Trans>
          <strong className="font-semibold">Not in the log yet</strong> ({first.entry.kind}, {first.entry.lot}
          ): {first.refused} It is kept on this device.
          {refused.length > 1 && t` ${refused.length - 1} more like it.`}
        </Trans>
      </Alarm>
      {mending && (
        <Suspense>
          <MendEntry key={first.entry.id} item={first} onClose={() => setMending(false)} />
        </Suspense>
      )}
    </div>
  );
};

/** This browser keeps nothing: said at once, with what is at risk. */
export const UnkeptWarning = () => {
  const keeps = useJournal((s) => s.keeps);
  const atRisk = useJournal((s) => s.unkept.size);
  if (keeps) return null;
  return (
    <div className="no-print px-4 pt-3">
      <Alarm>
        <Trans>
          <strong className="font-semibold">This browser cannot keep entries</strong> (a private window, or
          its storage is full or switched off). What you press goes to the server at once;{' '}
          {atRisk === 0
            ? t`nothing is waiting now.`
            : t`${plural(atRisk, { one: '1 entry is', other: '# entries are' })} not there yet and would be lost with this page. Leave it open.`}
        </Trans>
      </Alarm>
    </div>
  );
};
