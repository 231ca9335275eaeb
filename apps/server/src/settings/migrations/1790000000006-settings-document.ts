import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The settings become a document like the others, under a text id; until now they were the row 1. */
export class SettingsDocument1790000000006 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE "settings" RENAME TO "settings_row"`);
    await q.query(`CREATE TABLE "settings" (
      "id" text PRIMARY KEY NOT NULL,
      "data" text NOT NULL,
      "version" integer NOT NULL,
      "created_at" text NOT NULL,
      "updated_at" text NOT NULL,
      "deleted_at" text
    )`);
    await q.query(`INSERT INTO "settings"
      SELECT 'settings', "data", "version",
        strftime('%Y-%m-%dT%H:%M:%fZ', 'now'), strftime('%Y-%m-%dT%H:%M:%fZ', 'now'), NULL
      FROM "settings_row"`);
    await q.query(`DROP TABLE "settings_row"`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`CREATE TABLE "settings_row" (
      "id" integer PRIMARY KEY NOT NULL,
      "data" text NOT NULL,
      "version" integer NOT NULL
    )`);
    await q.query(`INSERT INTO "settings_row" SELECT 1, "data", "version" FROM "settings"`);
    await q.query(`DROP TABLE "settings"`);
    await q.query(`ALTER TABLE "settings_row" RENAME TO "settings"`);
  }
}
