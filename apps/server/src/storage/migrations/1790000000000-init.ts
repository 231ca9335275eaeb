import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Init1790000000000 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`CREATE TABLE "material" (
      "id" text PRIMARY KEY NOT NULL,
      "kind" text NOT NULL,
      "name" text NOT NULL,
      "data" text NOT NULL,
      "built_in" boolean NOT NULL,
      "version" integer NOT NULL,
      "deleted_at" text
    )`);
    await q.query(`CREATE TABLE "batch" (
      "id" text PRIMARY KEY NOT NULL,
      "name" text NOT NULL,
      "state" text NOT NULL,
      "made_on" text,
      "total_oils" real NOT NULL,
      "face" text NOT NULL,
      "plan" text NOT NULL,
      "version" integer NOT NULL,
      "created_at" text NOT NULL,
      "updated_at" text NOT NULL,
      "deleted_at" text
    )`);
    await q.query(`CREATE INDEX "batch_list" ON "batch" ("deleted_at", "updated_at")`);
    await q.query(`CREATE TABLE "settings" (
      "id" integer PRIMARY KEY NOT NULL,
      "data" text NOT NULL,
      "version" integer NOT NULL
    )`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE "settings"`);
    await q.query(`DROP TABLE "batch"`);
    await q.query(`DROP TABLE "material"`);
  }
}
