import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Learning1790000000013 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`CREATE TABLE "learning" (
      "id" text PRIMARY KEY NOT NULL,
      "number" integer NOT NULL,
      "learnt" text NOT NULL,
      "version" integer NOT NULL,
      "created_at" text NOT NULL,
      "updated_at" text NOT NULL,
      "deleted_at" text
    )`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE "learning"`);
  }
}
