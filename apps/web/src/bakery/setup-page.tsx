import { t } from '@lingui/core/macro';
import { Link } from 'react-router';
import { useBakery } from '../lib/queries';
import { buttonClass } from '../ui/button';
import { Loading } from '../ui/states';
import { OtherBakeries } from './other-bakeries';
import { BackupsPanel } from './backups-panel';
import { BakeryForm } from './bakery-form';
import { ClockForm } from './clock-form';
import { DeviceForm } from './device-form';
import { EnergyForm } from './energy-form';
import { CalendarPanel } from './equipment/calendar-panel';
import { EquipmentPanel } from './equipment/equipment-panel';
import { PeoplePanel } from './equipment/people-panel';
import { LimitsForm } from './limits-form';
import { RulesForm } from './rules-form';
import { SetupFilePanel } from './setup-file-panel';
import { SetupHistory } from './setup-history';
import { WellbeingPanel } from './wellbeing-panel';

const Panel = ({ title, children }: { title: string; children: React.ReactNode }) => (
  <section className="rounded-lg border bg-surface p-4">
    <h2 className="mb-2 text-lg font-semibold">{title}</h2>
    {children}
  </section>
);

/** Equipment, house rules, the clock, and what belongs to this device. */
export const SetupPage = () => {
  const { data } = useBakery();
  if (!data) return <Loading what={t`the setup`} />;
  return (
    <div className="relative h-full overflow-y-auto px-5 py-4 max-sm:px-3">
      <h1 className="text-[22px] font-semibold">{t`Setup`}</h1>
      <p className="mb-3 text-ink-soft">{t`${data.name}: house rules, equipment, clock.`}</p>
      <div className="grid grid-cols-[minmax(0,2fr)_minmax(0,1fr)] gap-4 max-sm:grid-cols-1">
        <div className="space-y-4">
          <Panel title={t`House rules`}>
            <RulesForm bakery={data} />
            <p className="mt-2 text-[13px] text-ink-faint">{t`Defaults, to be changed by the house. Limits on raw dough are conservative; local food rules and a licensed professional’s advice come first.`}</p>
          </Panel>
          <Panel title={t`Limits and factors`}>
            <LimitsForm key={data.rulesVersion} bakery={data} />
          </Panel>
          <Panel title={t`Equipment`}>
            <EquipmentPanel bakery={data} />
          </Panel>
          <div className="grid grid-cols-2 items-start gap-4 max-lg:grid-cols-1">
            <Panel title={t`Shifts, crew and scoops`}>
              <PeoplePanel key={data.equipmentVersion} bakery={data} />
            </Panel>
            <Panel title={t`Closed days, and who is away`}>
              <CalendarPanel key={data.equipmentVersion} bakery={data} />
            </Panel>
          </div>
          <Panel title={t`What was changed`}>
            <SetupHistory bakery={data} />
          </Panel>
        </div>
        <div className="space-y-4">
          <Panel title={t`The bakery`}>
            <BakeryForm key={data.name + data.rules.timeZone} bakery={data} />
            {data.other && <OtherBakeries bakery={data} />}
          </Panel>
          <Panel title={t`Setup file`}>
            <SetupFilePanel bakery={data} />
          </Panel>
          <Panel title={t`Is all well?`}>
            <WellbeingPanel bakery={data} />
          </Panel>
          <Panel title={t`Backups`}>
            <BackupsPanel />
          </Panel>
          <Panel title={t`The bakery’s clock`}>
            <ClockForm bakery={data} />
          </Panel>
          <Panel title={t`This device`}>
            <DeviceForm />
          </Panel>
          <Panel title={t`Energy`}>
            <EnergyForm key={data.pricesVersion} bakery={data} />
          </Panel>
          <Panel title={t`Ingredients`}>
            <p className="mb-2 text-ink-soft">{t`What each ingredient is made of, what it weighs, its allergens; and your own.`}</p>
            <Link to="/setup/ingredients" className={buttonClass()}>{t`Open the library`}</Link>
          </Panel>
        </div>
      </div>
    </div>
  );
};
