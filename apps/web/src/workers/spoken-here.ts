import { isSpoken, speakCore } from '../words/speak-core';

/* A worker is named after what the core speaks on its page. It comes before the core, whose constants say something too. */
if (isSpoken(self.name)) speakCore(self.name);
