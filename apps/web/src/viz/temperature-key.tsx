import { t } from '@lingui/core/macro';
import { temperatureStops } from './temperature';

/** The one temperature scale, as a key. */
export const TemperatureKey = ({ say }: { readonly say: (temperatureC: number) => string }) => {
  const from = -20;
  const to = 120;
  const gradient = temperatureStops
    .map(([t, colour]) => `${colour} ${((t - from) / (to - from)) * 100}%`)
    .join(', ');
  return (
    <div className="w-72" role="img" aria-label={t`Temperature scale`}>
      <div className="h-2.5 rounded" style={{ background: `linear-gradient(90deg, ${gradient})` }} />
      <div className="figures flex justify-between text-[11.5px] text-ink-soft">
        {[-20, 15, 50, 85, 120].map((t) => (
          <span key={t}>{say(t)}</span>
        ))}
      </div>
    </div>
  );
};
