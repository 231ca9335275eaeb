import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Kept1790000000002 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
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
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE "kept"`);
  }
}
