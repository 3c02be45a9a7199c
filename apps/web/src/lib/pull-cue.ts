import { t } from '@lingui/core/macro';
import type { Doneness } from '@jokul/core';

/** What the eye sees when it is time to pull; it goes on baking on the hot tray. */
const cues: Readonly<Record<Doneness, string>> = {
  'soft-centre': t`Rim set and just coloured, centre pale and a shade wet.`,
  chewy: t`Rim golden and firm, centre matt but soft under a finger.`,
  'crisp-edge': t`Rim brown and hard, only the very middle gives way.`,
  'crisp-through': t`Brown all over, the middle firm. It snaps only when it is cold.`,
};

export const pullCue = (target: Doneness): string => t`${cues[target]} It goes on baking on the hot tray.`;
