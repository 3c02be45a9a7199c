import { t } from '@lingui/core/macro';
import { sayDuration, type Hold } from '@jokul/core';
import { useNames } from '../../line/actions';
import { useWallClock } from '../../lib/clock';

/** Less room than this is none, s. */
const aboutS = 60;
const room = (slackS: number) => sayDuration(Math.floor(slackS / 60) * 60);

/** Why a load stands where it does, in sentences. */
export const useSaysHold = () => {
  const names = useNames();
  const wall = useWallClock();
  const time = (s: number) => wall.time(s * 1000);
  const later = (hold: Hold): string => {
    if (hold.kind === 'ready-by') return t`it must be ready by ${time(hold.atS)}`;
    if (hold.kind === 'goes-off') return t`its dough is good until ${time(hold.atS)}`;
    return 'otherId' in hold ? t`${hold.otherId} follows in ${names.oven(hold.ovenId)}` : '';
  };
  return {
    /** The chain that keeps it from starting later. */
    later: (chain: readonly Hold[]): string => {
      const [first, ...others] = chain;
      if (!first) return '';
      const said = others.map((hold) => t`${hold.loadId} waits no longer: ${later(hold)}`);
      const why = [later(first), ...said].join('; ');
      return first.slackS < aboutS ? t`Not later: ${why}.` : t`At most ${room(first.slackS)} later: ${why}.`;
    },
    earlier: (hold: Hold | null): string => {
      if (!hold) return '';
      const why =
        hold.kind === 'rested'
          ? t`its dough is rested at ${time(hold.atS)}`
          : 'otherId' in hold
            ? t`${hold.otherId} is in ${names.oven(hold.ovenId)} before it`
            : t`then it is now`;
      return hold.slackS < aboutS
        ? t`Not earlier: ${why}.`
        : t`At most ${room(hold.slackS)} earlier: ${why}.`;
    },
  };
};
