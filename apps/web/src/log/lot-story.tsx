import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import type { LotState, TrayState } from '@jokul/core';
import { record } from '../journal/store';
import { useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field } from '../ui/field';
import { InspectTray } from './inspect-tray';
import { TrayTable } from './tray-table';

const LotNote = ({ lot }: { lot: string }) => {
  const [text, setText] = useState('');
  return (
    <form
      className="no-print mt-3 flex max-w-2xl items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!text.trim()) return;
        record('note', lot, { text: text.trim() });
        setText('');
      }}
    >
      <div className="flex-1">
        <Field
          label={t`A note on this lot`}
          value={text}
          maxLength={1000}
          onChange={(event) => setText(event.target.value)}
        />
      </div>
      <Button type="submit" disabled={!text.trim()}>{t`Save note`}</Button>
    </form>
  );
};

/** What became of a lot: mixed, portioned, its trays, and what was noted of it. */
export const LotStory = ({
  lot,
  batch,
  trays,
}: {
  lot: string;
  batch: LotState | undefined;
  trays: readonly TrayState[];
}) => {
  const wall = useWallClock();
  const { temperature, mass } = useUnits();
  const [measuring, setMeasuring] = useState<TrayState | null>(null);
  const { mixed, portioned, notes = [] } = batch ?? {};
  return (
    <>
      <p className="mb-2 text-ink-soft">
        {mixed &&
          t`Mixed ${wall.date(mixed.atMs)} at ${wall.time(mixed.atMs)} by ${mixed.who}: ${mass(mixed.massG)}, dough ${temperature(mixed.doughC, 1)}. `}
        {portioned &&
          t`Portioned at ${wall.time(portioned.atMs)}: ${plural(portioned.pieces, { one: '# piece', other: '# pieces' })}. `}
      </p>
      {mixed && mixed.missing.length > 0 && (
        <p className="mb-2 font-medium text-hand">
          {t`Without ${mixed.missing.join(', ')}: ${mixed.reason ?? ''}`}
        </p>
      )}
      {trays.length > 0 ? (
        <TrayTable trays={trays} onMeasure={setMeasuring} />
      ) : (
        <p className="py-4 text-ink-soft">{t`No tray of this lot has been loaded.`}</p>
      )}
      {notes.length > 0 && (
        <ul className="mt-3 space-y-1">
          {notes.map((note) => (
            <li key={note.entryId}>
              <span className="figures text-[13px] text-ink-soft">{wall.time(note.atMs)}</span> {note.text}{' '}
              <span className="text-ink-faint">({note.who})</span>
            </li>
          ))}
        </ul>
      )}
      <LotNote lot={lot} />
      {measuring && <InspectTray tray={measuring} onClose={() => setMeasuring(null)} />}
    </>
  );
};
