import { t } from '@lingui/core/macro';
import { usePreferences } from '../lib/preferences';
import { SelectField } from '../ui/field';

/** The units that this device speaks. */
export const UnitsField = ({ label }: { readonly label: string }) => {
  const { units, set } = usePreferences();
  return (
    <SelectField
      label={label}
      value={units}
      onChange={(event) => set({ units: event.target.value as typeof units })}
    >
      <option value="metric">{t`g and °C`}</option>
      <option value="us">{t`oz and °F`}</option>
    </SelectField>
  );
};
