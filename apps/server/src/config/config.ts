import { join } from 'node:path';
import type { BakeryName } from '@jokul/contracts';

/** The bundled pages. */
export const webRoot = join(import.meta.dirname, '../../../web/dist');

/** What the starter tells of backups on this machine. */
export interface BackupTold {
  /** The folder that JOKUL_BACKUPS names: nobody chooses another one then. */
  readonly named?: string;
  /** The folder where nobody chose one. */
  readonly usual: string;
  /** The file that keeps what was chosen: it belongs to this machine, so no backup carries it along. */
  readonly choice: string;
}

/** Settings of this process, from its environment; `npm start` and the tests set them. */
export interface Config {
  readonly port: number;
  readonly database: {
    readonly port: number;
    readonly user: string;
    readonly password: string;
    readonly name: string;
  };
  /** Where backups go, where the starter told. */
  readonly backups?: BackupTold;
  /** A folder in which computed bakes outlive the server; they are computed anew where left out. */
  readonly bakes?: string;
  /** Whether an empty database gets the demo bakery. */
  readonly seedDemo: boolean;
  /** Whether it gets a bakery of one's own instead, with an example of each thing and nothing else. */
  readonly seedOwn?: boolean;
  /** Which of the bakeries of this machine it is: "own", "own-2". */
  readonly bakery?: string;
  /** The house's own bakeries on this machine, as the start command knows them. */
  readonly ownBakeries?: readonly BakeryName[];
  /** The start command opens another bakery in place of this one when this process ends with this code. */
  readonly otherCode?: number;
}

export const readConfig = (env: NodeJS.ProcessEnv = process.env): Config => ({
  port: Number(env.JOKUL_PORT ?? 4310),
  database: {
    port: Number(env.JOKUL_DB_PORT ?? 3306),
    user: env.JOKUL_DB_USER ?? 'jokul',
    password: env.JOKUL_DB_PASSWORD ?? '',
    name: env.JOKUL_DB_NAME ?? 'jokul',
  },
  ...(env.JOKUL_BACKUPS_USUAL &&
    env.JOKUL_BACKUPS_CHOICE && {
      backups: {
        ...(env.JOKUL_BACKUPS && { named: env.JOKUL_BACKUPS }),
        usual: env.JOKUL_BACKUPS_USUAL,
        choice: env.JOKUL_BACKUPS_CHOICE,
      },
    }),
  ...(env.JOKUL_BAKES && { bakes: env.JOKUL_BAKES }),
  seedDemo: env.JOKUL_SEED !== 'none' && env.JOKUL_SEED !== 'own',
  seedOwn: env.JOKUL_SEED === 'own',
  ...(env.JOKUL_BAKERY && { bakery: env.JOKUL_BAKERY }),
  ...(env.JOKUL_OWN_BAKERIES && { ownBakeries: JSON.parse(env.JOKUL_OWN_BAKERIES) as readonly BakeryName[] }),
  ...(env.JOKUL_OTHER_CODE && { otherCode: Number(env.JOKUL_OTHER_CODE) }),
});

/** The same database and folder for backups, for a process of its own. */
export const envOf = ({ database, backups }: Config): NodeJS.ProcessEnv => ({
  ...process.env,
  ...(backups && {
    ...(backups.named && { JOKUL_BACKUPS: backups.named }),
    JOKUL_BACKUPS_USUAL: backups.usual,
    JOKUL_BACKUPS_CHOICE: backups.choice,
  }),
  JOKUL_DB_PORT: String(database.port),
  JOKUL_DB_USER: database.user,
  JOKUL_DB_PASSWORD: database.password,
  JOKUL_DB_NAME: database.name,
});
