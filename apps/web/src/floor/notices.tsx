import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { Notice } from '@jokul/core';
import { useNames } from '../line/actions';
import { sayNotice } from '../journal/notice-words';
import { useJournal } from '../journal/store';
import { nowMs, useWallClock } from '../lib/clock';
import { Button } from '../ui/button';

const keyOf = ({ entryId, subject, code }: Notice) => `${entryId}/${subject}/${code}`;

/** The oldest notice that nobody on this device has dismissed; one that comes in behind it waits its turn. */
export const Notices = () => {
  const notices = useJournal((s) => s.floor.notices);
  const [dismissed, setDismissed] = useState<ReadonlySet<string>>(new Set());
  const wall = useWallClock();
  const names = useNames();
  const open = notices.filter((notice) => !dismissed.has(keyOf(notice)));
  const [first] = open;
  if (!first) return null;
  return (
    <div
      role="alert"
      className="flex items-center gap-3 rounded-lg border-2 border-hand bg-hand-ground px-4 py-2 text-xl"
    >
      <p className="flex-1">
        {sayNotice(first, wall, names.place)}{' '}
        <span className="text-ink-soft">
          ({first.who}, {wall.near(first.atMs, nowMs())}
          {open.length > 1 && t`; ${open.length - 1} more`})
        </span>
      </p>
      <Button
        size="floor"
        className="!min-h-14 !text-xl"
        onClick={() => setDismissed(new Set(dismissed).add(keyOf(first)))}
      >{t`Dismiss`}</Button>
    </div>
  );
};
