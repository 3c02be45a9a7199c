import { t } from '@lingui/core/macro';
import { Dialog } from '../ui/dialog';
import { across, otherKeys, stations } from './line';

const Row = ({ keys, does }: { keys: string; does: string }) => (
  <div className="flex items-baseline justify-between gap-4 py-1">
    <dt>{does}</dt>
    <dd className="figures rounded border border-line-strong px-1.5 text-[13px]">{keys}</dd>
  </div>
);

/** All keys, shown by `?`. */
export const Overview = ({ open, onClose }: { open: boolean; onClose: () => void }) => (
  <Dialog open={open} onClose={onClose} title={t`Keys`} wide>
    <div className="grid grid-cols-2 gap-x-8">
      <dl className="divide-y divide-line">
        {stations.map(({ key, name }) => (
          <Row key={key} keys={key} does={name} />
        ))}
      </dl>
      <dl className="divide-y divide-line">
        {across.map(({ key, name }) => (
          <Row key={key} keys={key} does={name} />
        ))}
        {otherKeys.map(({ keys, does }) => (
          <Row key={keys} keys={keys} does={does} />
        ))}
      </dl>
    </div>
  </Dialog>
);
