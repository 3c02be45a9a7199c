import { t } from '@lingui/core/macro';
import { faultKinds, type Place, type PlaceFault } from '@jokul/core';
import { nowMs } from '../lib/clock';
import { usePlayFaults, useProbes } from '../lib/queries';
import { Button } from '../ui/button';

const faultNames = {
  'door-open': t`the door stands open`,
  'machine-off': t`the machine is off`,
  'probe-silent': t`the probe is silent`,
  'probe-wrong': t`the probe reads wrong`,
} as const;
const faultButtons = {
  'door-open': t`door open`,
  'machine-off': t`machine off`,
  'probe-silent': t`probe silent`,
  'probe-wrong': t`probe wrong`,
} as const;

interface TryAFaultProps {
  readonly place: Place;
  readonly probes: ReturnType<typeof useProbes>;
}

/** The simulated probe of a place, and what can go wrong with it. */
export const TryAFault = ({ place, probes }: TryAFaultProps) => {
  const play = usePlayFaults();
  const faults = probes.data?.faults ?? [];
  const fault = faults.find(({ placeId, toMs }) => placeId === place.id && toMs === null);
  const setFault = (kind: PlaceFault['kind'] | null) => {
    if (!probes.data) return;
    const at = Math.round(nowMs());
    const ended = faults.map((f) =>
      f.placeId === place.id && f.toMs === null ? { ...f, toMs: Math.max(f.fromMs + 1, at) } : f,
    );
    play.mutate({
      version: probes.data.version,
      faults: [...ended, ...(kind ? [{ placeId: place.id, kind, fromMs: at, toMs: null }] : [])].slice(-20),
    });
  };
  return (
    <div className="mt-1 flex flex-wrap items-center gap-2 text-[13px] text-ink-soft">
      <span>{t`Simulated probe${fault ? `: ${faultNames[fault.kind]}` : t`, try a fault:`}`}</span>
      {fault ? (
        <Button
          size="small"
          disabled={play.isPending}
          onClick={() => setFault(null)}
        >{t`Clear the fault`}</Button>
      ) : (
        faultKinds.map((kind) => (
          <Button
            key={kind}
            size="small"
            disabled={play.isPending || !probes.data}
            onClick={() => setFault(kind)}
            aria-label={`${place.name}: ${faultNames[kind]}`}
          >
            {faultButtons[kind]}
          </Button>
        ))
      )}
    </div>
  );
};
