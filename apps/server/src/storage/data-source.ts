import Database from 'libsql';
import { type DataSourceOptions } from 'typeorm';
import { BatchEntity } from './batch.entity.ts';
import { KeptEntity } from './kept.entity.ts';
import { MaterialEntity } from './material.entity.ts';
import { Init1790000000000 } from './migrations/1790000000000-init.ts';
import { Palettes1790000000001 } from './migrations/1790000000001-palettes.ts';
import { Kept1790000000002 } from './migrations/1790000000002-kept.ts';
import { PaletteEntity } from './palette.entity.ts';
import { SettingsEntity } from './settings.entity.ts';

/** Options for one SQLite file: WAL, and every acknowledged write on disk before the answer goes out. */
export function dataSourceOptions(file: string): DataSourceOptions {
  return {
    type: 'better-sqlite3',
    driver: Database,
    database: file,
    enableWAL: true,
    entities: [MaterialEntity, BatchEntity, SettingsEntity, PaletteEntity, KeptEntity],
    migrations: [Init1790000000000, Palettes1790000000001, Kept1790000000002],
    migrationsRun: true,
    synchronize: false,
    prepareDatabase: (db: { pragma(text: string): unknown }) => {
      db.pragma('synchronous = FULL');
      db.pragma('foreign_keys = ON');
    },
  };
}
