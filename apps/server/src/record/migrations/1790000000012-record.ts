import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Record1790000000012 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    const dates = `"version" integer NOT NULL,
      "created_at" text NOT NULL,
      "updated_at" text NOT NULL,
      "deleted_at" text`;
    await q.query(`CREATE TABLE "batch_record" (
      "id" text PRIMARY KEY NOT NULL,
      "record" text NOT NULL,
      ${dates}
    )`);
    await q.query(`CREATE TABLE "reading" (
      "id" text PRIMARY KEY NOT NULL,
      "batch_id" text NOT NULL,
      "pot_id" text NOT NULL,
      "hours" real NOT NULL,
      "reading" text NOT NULL,
      ${dates}
    )`);
    await q.query(`CREATE INDEX "reading_of_batch" ON "reading" ("batch_id")`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE "reading"`);
    await q.query(`DROP TABLE "batch_record"`);
  }
}
