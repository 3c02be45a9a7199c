import type { DataSource } from 'typeorm';
import { followsAlone, type DraftEntry } from '@jokul/core';
import { addRows, rowsAfter } from '../lot/lot-rows.js';
import { chainOn, entryValues, insertEntries, type ChainEnd } from './chain-on.js';

/** Whether the tables can follow these entries without anything being read first. */
export const canBeAtOnce = (entries: readonly DraftEntry[]): boolean =>
  entries.every(({ kind }) => followsAlone(kind));

/**
 * One block, and so one way to the database and back where the careful way takes seven. The head is moved only from
 * where this server saw it last; otherwise nothing is written, and that is told as an error: a row for it would be sent by
 * itself, and wake this process twice.
 */
const block = `BEGIN NOT ATOMIC
  DECLARE EXIT HANDLER FOR SQLEXCEPTION BEGIN ROLLBACK; RESIGNAL; END;
  START TRANSACTION;
  UPDATE \`journal_head\` SET \`seq\` = ?, \`hash\` = ? WHERE \`id\` = 1 AND \`seq\` = ? AND \`hash\` = ?;
  IF ROW_COUNT() <> 1 THEN SIGNAL SQLSTATE '45000'; END IF;
  ${insertEntries};
  ${addRows('?')};
  COMMIT;
END`;

/** The head is not where it was, or an entry is there already. */
const foundOther = (error: unknown): boolean =>
  typeof error === 'object' &&
  error !== null &&
  'code' in error &&
  (error.code === 'ER_SIGNAL_EXCEPTION' || error.code === 'ER_DUP_ENTRY');

/**
 * Writes entries behind the end of the chain as it was last seen.
 * @returns the numbers by UUID and the new end; null, with nothing written, when another server wrote meanwhile or an
 *   entry is there already
 */
export const writeAtOnce = async (
  db: DataSource,
  from: ChainEnd,
  entries: readonly DraftEntry[],
): Promise<{ readonly numbers: ReadonlyMap<string, number>; readonly end: ChainEnd } | null> => {
  const { rows, end } = chainOn(from, entries);
  try {
    await db.query(block, [end.seq, end.hash, from.seq, from.hash, entryValues(rows), rowsAfter(rows)]);
  } catch (error) {
    if (foundOther(error)) return null;
    throw error;
  }
  return { numbers: new Map(rows.map(({ id, seq }) => [id, seq])), end };
};
