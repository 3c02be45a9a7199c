import { t } from '@lingui/core/macro';
import { usePreferences } from '../lib/preferences';
import { weekdayNames } from '../lib/weekdays';
import { Field, SelectField } from '../ui/field';
import { UnitsField } from './units-field';
import { WordsField } from './words-field';

/** What belongs to this device alone: units, clock, week, theme, and what the log calls it. */
export const DeviceForm = () => {
  const { hours, weekStart, theme, device, set } = usePreferences();
  return (
    <div className="grid grid-cols-2 gap-3">
      <UnitsField label={t`Units`} />
      <SelectField
        label={t`Clock`}
        value={hours}
        onChange={(event) => set({ hours: event.target.value as typeof hours })}
      >
        <option value="24">17:40</option>
        <option value="12">{t`5:40 pm`}</option>
      </SelectField>
      <SelectField
        label={t`Week starts on`}
        value={weekStart}
        onChange={(event) => set({ weekStart: event.target.value as typeof weekStart })}
      >
        <option value="day">{t`the day shown`}</option>
        <option value="monday">{weekdayNames[1]}</option>
        <option value="saturday">{weekdayNames[6]}</option>
        <option value="sunday">{weekdayNames[7]}</option>
      </SelectField>
      <SelectField
        label={t`Theme`}
        value={theme}
        onChange={(event) => set({ theme: event.target.value as typeof theme })}
      >
        <option value="system">{t`as the system`}</option>
        <option value="light">{t`light`}</option>
        <option value="dark">{t`dark`}</option>
      </SelectField>
      <WordsField />
      <div className="col-span-2">
        <Field
          label={t`Name of this device in the log`}
          value={device}
          maxLength={40}
          onChange={(event) => event.target.value.trim() && set({ device: event.target.value })}
        />
      </div>
    </div>
  );
};
