import { DataSource, type DataSourceOptions } from 'typeorm';
import { readConfig, type Config } from '../config/config.js';
import { entities } from '../database/entities.js';
import { Bakery1764500000000 } from './migrations/1764500000000-bakery.js';
import { Foundation1764000000000 } from './migrations/1764000000000-foundation.js';
import { Lots1764200000000 } from './migrations/1764200000000-lots.js';
import { SetupHistory1764400000000 } from './migrations/1764400000000-setup-history.js';
import { StandingOrders1764300000000 } from './migrations/1764300000000-standing-orders.js';

export const dataSourceOptions = ({ database }: Config): DataSourceOptions => ({
  type: 'mariadb',
  host: '127.0.0.1',
  port: database.port,
  username: database.user,
  password: database.password,
  database: database.name,
  charset: 'utf8mb4',
  timezone: 'Z',
  synchronize: false,
  entities,
  migrations: [
    Foundation1764000000000,
    Lots1764200000000,
    StandingOrders1764300000000,
    SetupHistory1764400000000,
    Bakery1764500000000,
  ],
  connectTimeout: 4000,
  poolSize: 8,
});

export const makeDataSource = (config = readConfig()): DataSource =>
  new DataSource(dataSourceOptions(config));
