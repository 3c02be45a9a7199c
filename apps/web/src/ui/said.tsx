import { useSaid } from '../lib/said';

/** A sentence of the core, its figures in the units of this device. */
export const Said = ({ children }: { readonly children: string }) => useSaid(({ say }) => say)(children);
