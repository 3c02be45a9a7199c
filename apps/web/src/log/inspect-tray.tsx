import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { Payloads, Room, TrayState, TypedKind } from '@jokul/core';
import { record } from '../journal/store';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field, SelectField } from '../ui/field';

type Measured =
  'coreC' | 'diameterMm' | 'heightMm' | 'lossPercent' | 'colourScore' | 'rightLessLeft' | 'backLessFront';

/** The same ranges as the journal takes. */
const fields: readonly {
  key: Measured;
  label: string;
  kind?: TypedKind;
  min: number;
  max: number;
  hint?: string;
}[] = [
  { key: 'coreC', label: t`Core at the pull`, kind: 'temperature', min: 20, max: 180 },
  {
    key: 'diameterMm',
    label: t`Diameter`,
    kind: 'length',
    min: 10,
    max: 400,
    hint: t`mean of several, edge to edge`,
  },
  { key: 'heightMm', label: t`Height`, kind: 'length', min: 1, max: 100 },
  { key: 'lossPercent', label: t`Bake loss, %`, min: 0, max: 50, hint: t`raw less baked weight` },
  { key: 'colourScore', label: t`Colour score`, min: 0, max: 100, hint: t`35 golden, 55 brown, 80 dark` },
  {
    key: 'rightLessLeft',
    label: t`Colour, right less left`,
    min: -100,
    max: 100,
    hint: t`of a tray that was not turned`,
  },
  {
    key: 'backLessFront',
    label: t`Colour, back less front`,
    min: -100,
    max: 100,
    hint: t`of a tray that was not turned`,
  },
];

/** What is typed of a tray, and how it is logged. */
const useMeasured = (tray: TrayState) => {
  const { inspected } = tray;
  const { figure, typed, range } = useUnits();
  const shown = (value: number | undefined, kind: TypedKind) =>
    value === undefined ? '' : figure(value, kind);
  const read = ({ key, kind = 'number', min, max }: (typeof fields)[number]) => {
    if (!text[key].trim()) return {};
    // What was measured before and is not changed stays to the last digit.
    const before = key === 'lossPercent' ? undefined : inspected?.[key];
    const value = text[key] === shown(before, kind) ? (before ?? Number.NaN) : typed(text[key], kind);
    return value >= min && value <= max ? { value } : { error: range(min, max, kind).trim() };
  };
  const [text, setText] = useState<Record<Measured, string>>({
    coreC: shown(inspected?.coreC, 'temperature'),
    diameterMm: shown(inspected?.diameterMm, 'length'),
    heightMm: shown(inspected?.heightMm, 'length'),
    lossPercent: inspected?.lossShare === undefined ? '' : (inspected.lossShare * 100).toFixed(1),
    colourScore: inspected?.colourScore?.toString() ?? '',
    rightLessLeft: inspected?.rightLessLeft?.toString() ?? '',
    backLessFront: inspected?.backLessFront?.toString() ?? '',
  });
  const [room, setRoom] = useState<Room | ''>(inspected?.room ?? '');
  const [note, setNote] = useState(inspected?.note ?? '');
  const readings = fields.map((field) => [field.key, read(field)] as const);
  const wrong = readings.some(([, reading]) => reading.error);
  const empty = readings.every(([, reading]) => reading.value === undefined) && !note.trim() && !room;
  const save = () => {
    const of = (key: Measured) => readings.find(([k]) => k === key)?.[1].value;
    const loss = of('lossPercent');
    const bakeS = tray.pulled ? Math.round((tray.pulled.atMs - tray.loaded.atMs) / 1000) : undefined;
    const measured: Record<string, number | undefined> = {
      bakeS: bakeS !== undefined && bakeS >= 30 ? bakeS : undefined,
      coreC: of('coreC'),
      diameterMm: of('diameterMm'),
      heightMm: of('heightMm'),
      lossShare: loss === undefined ? undefined : loss / 100,
      colourScore: of('colourScore'),
      rightLessLeft: of('rightLessLeft'),
      backLessFront: of('backLessFront'),
    };
    const given = Object.fromEntries(Object.entries(measured).filter(([, value]) => value !== undefined));
    const payload: Payloads['inspected'] = {
      trayId: tray.trayId,
      ...given,
      ...(room && { room }),
      ...(note.trim() && { note: note.trim() }),
    };
    record('inspected', tray.batchId, payload);
  };
  return { text, setText, room, setRoom, note, setNote, readings, good: !wrong && !empty, save };
};

/** What was measured on a tray. Every field may stay empty, one is enough. */
export const InspectTray = ({ tray, onClose }: { tray: TrayState; onClose: () => void }) => {
  const { label: named } = useUnits();
  const { text, setText, room, setRoom, note, setNote, readings, good, save } = useMeasured(tray);
  return (
    <Dialog
      open
      onClose={onClose}
      title={t`Measure ${tray.trayId}`}
      lead={t`Several pieces of the tray, cold. Leave empty what was not measured.`}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          save();
          onClose();
        }}
      >
        <div className="grid grid-cols-2 gap-3">
          {fields.map(({ key, label, kind, hint }) => (
            <Field
              key={key}
              label={kind ? named(label, kind) : label}
              inputMode="decimal"
              className="figures text-right"
              value={text[key]}
              hint={hint}
              error={readings.find(([k]) => k === key)?.[1].error}
              onChange={(event) => setText({ ...text, [key]: event.target.value })}
            />
          ))}
          <SelectField
            label={t`The gap`}
            value={room}
            onChange={(event) => setRoom(event.target.value as Room | '')}
          >
            <option value="">{t`not looked at`}</option>
            <option value="touched">{t`some touched`}</option>
            <option value="fits">{t`right`}</option>
            <option value="more">{t`room for more`}</option>
          </SelectField>
          <div className="col-span-2">
            <Field
              label={t`Note`}
              value={note}
              maxLength={1000}
              onChange={(event) => setNote(event.target.value)}
            />
          </div>
        </div>
        <div className="mt-4 flex justify-end gap-2">
          <Button onClick={onClose}>{t`Not now`}</Button>
          <Button type="submit" look="primary" disabled={!good}>{t`Log it`}</Button>
        </div>
      </form>
    </Dialog>
  );
};
