import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Log1790000000010 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`CREATE TABLE "log_entry" (
      "id" text PRIMARY KEY NOT NULL,
      "batch_id" text NOT NULL,
      "place" integer NOT NULL,
      "at" integer NOT NULL,
      "kind" text NOT NULL,
      "pot_id" text NOT NULL,
      "target" text NOT NULL,
      "by" text NOT NULL,
      "value" real NOT NULL,
      "text" text NOT NULL,
      "version" integer NOT NULL,
      "created_at" text NOT NULL,
      "updated_at" text NOT NULL,
      "deleted_at" text
    )`);
    await q.query(`CREATE UNIQUE INDEX "log_of_batch" ON "log_entry" ("batch_id", "place")`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE "log_entry"`);
  }
}
