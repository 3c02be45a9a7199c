import { createHash, randomUUID } from 'node:crypto';
import { createConnection } from 'mysql2/promise';
import { chainText, genesisHash, lotId, lotRow } from '../../packages/core/dist/index.js';

const sha256 = (text) => createHash('sha256').update(text).digest('hex');
const day = 86_400_000;

/**
 * Makes a bakery with years of records out of the demo's weeks: its past again and again, further and further back, each
 * time with lots, trays and entries of its own, chained anew. Returns how many entries there are.
 */
export const fillYears = async (db, wanted, database = 'jokul') => {
  const connection = await createConnection({
    host: '127.0.0.1',
    port: db.port,
    user: db.user,
    password: db.password,
    database,
  });
  const [rows] = await connection.query('SELECT * FROM journal_entry ORDER BY seq');
  const own = rows.map((row) => ({
    ...row,
    atMs: Number(row.atMs),
    payload: typeof row.payload === 'string' ? JSON.parse(row.payload) : row.payload,
  }));
  // Only lives that are over are lived again: what lies in the cold does so once.
  const lastMs = own.at(-1).atMs;
  const open = new Set(own.filter(({ atMs }) => atMs > lastMs - 2 * day).map(({ lot }) => lot));
  for (const lot of new Set(own.map((entry) => entry.lot)))
    if (
      lotRow(
        lot,
        own.filter((entry) => entry.lot === lot),
      ).inside
    )
      open.add(lot);
  const past = own.filter(({ lot }) => !open.has(lot));
  const copies = Math.ceil((wanted - own.length) / past.length);
  const stepMs = (3 * 365 * day) / copies;
  const all = [...own];
  let number = 1000;
  for (let k = 1; k <= copies; k++) {
    const names = new Map();
    const rename = (lot) => {
      if (!names.has(lot)) names.set(lot, lotId(lot.split('-')[0], 2023 + (k % 3), (number += 1)));
      return names.get(lot);
    };
    const ids = new Map(past.map(({ id }) => [id, randomUUID()]));
    for (const entry of past) {
      const text = JSON.stringify(entry.payload).replaceAll(entry.lot, rename(entry.lot));
      all.push({
        ...entry,
        id: ids.get(entry.id),
        atMs: Math.round(entry.atMs - k * stepMs),
        lot: rename(entry.lot),
        payload: JSON.parse(text),
      });
    }
  }
  all.sort((a, b) => a.atMs - b.atMs);
  let prevHash = genesisHash;
  const chained = all.map(({ id, atMs, who, device, lot, kind, payload }, i) => {
    const entry = { id, atMs, who, device, lot, kind, payload };
    const hash = sha256(chainText(prevHash, entry));
    const row = [i + 1, id, atMs, who, device, lot, kind, JSON.stringify(payload), prevHash, hash];
    prevHash = hash;
    return row;
  });
  await connection.query('DELETE FROM journal_entry');
  for (let i = 0; i < chained.length; i += 1000)
    await connection.query(
      'INSERT INTO journal_entry (seq, id, atMs, who, device, lot, kind, payload, prevHash, hash) VALUES ?',
      [chained.slice(i, i + 1000)],
    );
  await connection.query('UPDATE journal_head SET seq = ?, hash = ?', [chained.length, prevHash]);
  const lots = new Map();
  for (const entry of all) lots.set(entry.lot, [...(lots.get(entry.lot) ?? []), entry]);
  const lotRows = [...lots].map(([lot, entries]) => {
    const row = lotRow(lot, entries);
    return [lot, row.firstMs, row.lastMs, row.inside, row.worked, row.begun, row.inspected, null];
  });
  for (let i = 0; i < lotRows.length; i += 1000)
    await connection.query(
      'REPLACE INTO lot (lot, firstMs, lastMs, inside, worked, begun, inspected, day) VALUES ?',
      [lotRows.slice(i, i + 1000)],
    );
  await connection.end();
  return chained.length;
};
