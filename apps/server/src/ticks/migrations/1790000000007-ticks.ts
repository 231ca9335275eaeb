import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Ticks1790000000007 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`CREATE TABLE "tick" (
      "id" text PRIMARY KEY NOT NULL,
      "batch_id" text NOT NULL,
      "line_id" text NOT NULL,
      "done" boolean NOT NULL,
      "version" integer NOT NULL,
      "created_at" text NOT NULL,
      "updated_at" text NOT NULL,
      "deleted_at" text
    )`);
    await q.query(`CREATE INDEX "tick_of_batch" ON "tick" ("batch_id")`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE "tick"`);
  }
}
