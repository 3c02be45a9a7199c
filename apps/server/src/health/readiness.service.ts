import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type { WellbeingView } from '@jokul/contracts';
import { BrokenDatabase, brokenBy, codeOfBroken, sayBroken } from '../common/broken-database.js';
import { LastTrouble } from '../common/last-trouble.js';

/** Whether work can be done: the database answers, all its tables can be read, and what was sent last was written down. */
@Injectable()
export class ReadinessService {
  private readonly readAll: string;

  constructor(
    private readonly db: DataSource,
    private readonly trouble: LastTrouble,
  ) {
    const tables = db.entityMetadatas.map(({ tableName }) => tableName);
    this.readAll = `SELECT ${tables.map((name) => `(SELECT 1 FROM \`${name}\` LIMIT 1)`).join(', ')}`;
  }

  /** @throws whatever the database says where it does not answer or a table cannot be read, and BrokenDatabase */
  async require(): Promise<void> {
    await this.db.query(this.readAll);
    const broken = this.trouble.now();
    if (broken) throw new BrokenDatabase(broken);
  }

  /** What is broken, in words; null where nothing is. @throws what the database says where it does not answer */
  async broken(): Promise<WellbeingView['broken']> {
    try {
      await this.require();
      return null;
    } catch (error) {
      const broken = brokenBy(error);
      if (!broken) throw error;
      return { code: codeOfBroken(broken), message: sayBroken(broken) };
    }
  }
}
