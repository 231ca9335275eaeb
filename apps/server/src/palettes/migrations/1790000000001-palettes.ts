import type { MigrationInterface, QueryRunner } from 'typeorm';

export class Palettes1790000000001 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`CREATE TABLE "palette" (
      "id" text PRIMARY KEY NOT NULL,
      "name" text NOT NULL,
      "favourite" boolean NOT NULL,
      "colours" text NOT NULL,
      "version" integer NOT NULL,
      "updated_at" text NOT NULL,
      "deleted_at" text
    )`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE "palette"`);
  }
}
