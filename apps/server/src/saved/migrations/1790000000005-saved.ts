import type { MigrationInterface, QueryRunner } from 'typeorm';

const KINDS = ['mould', 'recipe'] as const;

/** Saved moulds and recipes get a table each; until now they shared the table "kept". */
export class Saved1790000000005 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    for (const kind of KINDS) {
      await q.query(`CREATE TABLE "saved_${kind}" (
        "id" text PRIMARY KEY NOT NULL,
        "name" text NOT NULL,
        "data" text NOT NULL,
        "version" integer NOT NULL,
        "created_at" text NOT NULL,
        "updated_at" text NOT NULL,
        "deleted_at" text
      )`);
      await q.query(
        `INSERT INTO "saved_${kind}"
          SELECT "id", "name", "data", "version", "updated_at", "updated_at", "deleted_at"
          FROM "kept" WHERE "kind" = ?`,
        [kind],
      );
    }
    await q.query(`DROP TABLE "kept"`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`CREATE TABLE "kept" (
      "id" text PRIMARY KEY NOT NULL,
      "kind" text NOT NULL,
      "name" text NOT NULL,
      "data" text NOT NULL,
      "version" integer NOT NULL,
      "updated_at" text NOT NULL,
      "deleted_at" text
    )`);
    await q.query(`CREATE INDEX "kept_kind" ON "kept" ("kind", "name")`);
    for (const kind of KINDS) {
      await q.query(
        `INSERT INTO "kept"
          SELECT "id", ?, "name", "data", "version", "updated_at", "deleted_at" FROM "saved_${kind}"`,
        [kind],
      );
      await q.query(`DROP TABLE "saved_${kind}"`);
    }
  }
}
