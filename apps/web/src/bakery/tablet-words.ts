import { t } from '@lingui/core/macro';
import { sayDuration } from '@jokul/core';
import type { TabletView } from '@jokul/contracts';
import { count } from './count-words';

/** A device says something every minute: silent for longer it is off, asleep or out of reach, s. */
const silentS = 180;
/** Silent for longer than a shift it was put away, s. */
const putAwayS = 8 * 3600;
/** Two clocks are never quite alike, s. */
const leastOffS = 90;

/** What somebody should look at of a device, a sentence each; none where all is well there. */
export const troubleOf = ({ device, heard }: TabletView): readonly string[] => {
  if (!heard) return [];
  const { agoS, kept, setAside, clockAheadS, left } = heard;
  const isSilent = agoS >= silentS;
  const ago = sayDuration(agoS);
  const off = sayDuration(60 * Math.round(Math.abs(clockAheadS) / 60));
  return [
    ...(kept > 0
      ? [
          left || isSilent
            ? t`${device} had ${count(kept, t`entry`, t`entries`)} to send when it was last heard, ${ago} ago. Open Jokul there: it sends them by itself.`
            : t`On ${device} ${count(kept, t`entry waits`, t`entries wait`)} to be sent.`,
        ]
      : isSilent && !left && agoS < putAwayS
        ? [
            t`${device} was last heard ${ago} ago: what was entered there since may wait on it. Is it on, and in reach?`,
          ]
        : []),
    ...(setAside > 0
      ? [
          t`On ${device} ${count(setAside, t`entry was refused and waits`, t`entries were refused and wait`)} for somebody to look at.`,
        ]
      : []),
    ...(Math.abs(clockAheadS) >= leastOffS
      ? [
          clockAheadS > 0
            ? t`The clock of ${device} is ${off} fast.`
            : t`The clock of ${device} is ${off} slow.`,
        ]
      : []),
  ];
};

/** How a device is, in a few words. */
export const stateOf = ({ heard }: TabletView): string => {
  if (!heard) return t`not heard since Jokul was started`;
  if (heard.left) return t`closed ${sayDuration(heard.agoS)} ago`;
  return heard.agoS < silentS ? t`there` : t`silent for ${sayDuration(heard.agoS)}`;
};

/** Whether somebody may look for it: a page that was closed with nothing left to send, and wrote nothing, is gone. */
export const isTold = ({ heard, wrote }: TabletView): boolean =>
  wrote !== null || !heard?.left || heard.kept > 0 || heard.setAside > 0;
