/** Grams of a lot: what came in, what left, and what must still be there. */
export interface LotBalance {
  readonly madeG: number;
  readonly mergedInG: number;
  readonly splitOffG: number;
  readonly discardedG: number;
  readonly bakedG: number;
  readonly leftG: number;
}

/** @param parts what the ledger says, g */
export const lotBalance = (parts: {
  readonly madeG: number;
  readonly merged: readonly { readonly massG: number }[];
  readonly splits: readonly { readonly massG: number }[];
  readonly discarded: readonly { readonly massG: number }[];
  /** Pieces that went into an oven, and the grams of one. */
  readonly bakedPieces: number;
  readonly pieceG: number;
}): LotBalance => {
  const sum = (rows: readonly { readonly massG: number }[]) =>
    rows.reduce((all, { massG }) => all + massG, 0);
  const mergedInG = sum(parts.merged);
  const splitOffG = sum(parts.splits);
  const discardedG = sum(parts.discarded);
  const bakedG = parts.bakedPieces * parts.pieceG;
  return {
    madeG: parts.madeG,
    mergedInG,
    splitOffG,
    discardedG,
    bakedG,
    leftG: parts.madeG + mergedInG - splitOffG - discardedG - bakedG,
  };
};
