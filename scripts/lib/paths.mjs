import { fileURLToPath } from 'node:url';
import { join } from 'node:path';

export const root = fileURLToPath(new URL('../..', import.meta.url));
export const inRoot = (...parts) => join(root, ...parts);
