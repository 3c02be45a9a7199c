import type { DataSource } from 'typeorm';
import { JokulError } from '@jokul/core';

/**
 * Refuses a database that a newer Jokul changed: what this one does not know would be lost or fail.
 * @throws JokulError `newer-data`
 */
export const refuseNewerSchema = async (db: DataSource): Promise<void> => {
  const known = new Set(db.migrations.map(({ name, constructor }) => name ?? constructor.name));
  const done = await db.query<{ name: string }[]>('SELECT `name` FROM `migrations` ORDER BY `timestamp`');
  const unknown = done.find(({ name }) => !known.has(name));
  if (unknown)
    throw new JokulError(
      'newer-data',
      `The database was changed by a newer Jokul (${unknown.name}). Nothing was changed: start the newer one, or put back a backup that this one made.`,
      'migrations',
    );
};
