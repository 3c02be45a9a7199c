import type { FloorState, NeedleCore } from './state.js';

/** What is in a cold place now. */
export interface InTheCold {
  readonly batchId: string;
  readonly placeId: string;
  readonly form: 'pieces' | 'tub' | 'bag';
  readonly cover: 'open' | 'covered';
  readonly startC: number;
  readonly massG: number;
  readonly pieces: number;
  readonly inMs: number;
  readonly cores: readonly NeedleCore[];
}

/** The dough in the cold, oldest first. */
export const inTheCold = (state: FloorState): readonly InTheCold[] =>
  [...state.lots.values()]
    .flatMap((batch) =>
      batch.stays
        .filter((stay) => stay.outMs === null)
        .map(({ placeId, form, cover, startC, massG, pieces, atMs, cores }) => ({
          batchId: batch.lot,
          placeId,
          form,
          cover,
          startC,
          massG,
          pieces,
          inMs: atMs,
          cores,
        })),
    )
    .sort((a, b) => a.inMs - b.inMs);
