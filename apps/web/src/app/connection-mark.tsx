import { t } from '@lingui/core/macro';
import { CloudOff } from 'lucide-react';
import { useJournal } from '../journal/store';

/** Whether the server is there, and what waits for it: called kept only when it is written down on this device. */
export const ConnectionMark = () => {
  const { connection, pending, unkept } = useJournal();
  if (connection !== 'away' && pending.length === 0) return null;
  const kept = pending.filter(({ entry }) => !unkept.has(entry.id)).length;
  return (
    <span
      role="status"
      className="flex items-center gap-1.5 rounded-md border border-hand px-2 py-1 text-[13px]"
    >
      <CloudOff size={15} className="text-hand" aria-hidden />
      {connection === 'away' ? t`Server away` : t`Sending`}
      {kept > 0 && <span className="figures">{t`· ${kept} kept here`}</span>}
    </span>
  );
};
