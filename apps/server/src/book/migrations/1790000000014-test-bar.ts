import type { MigrationInterface, QueryRunner } from 'typeorm';

export class TestBar1790000000014 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`CREATE TABLE "test_bar" (
      "id" text PRIMARY KEY NOT NULL,
      "name" text NOT NULL,
      "bar" text NOT NULL,
      "version" integer NOT NULL,
      "created_at" text NOT NULL,
      "updated_at" text NOT NULL,
      "deleted_at" text
    )`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE "test_bar"`);
  }
}
