import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Palettes get a date of creation, as every document has one. */
export class PaletteCreated1790000000004 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE "palette" ADD COLUMN "created_at" text NOT NULL DEFAULT ''`);
    await q.query(`UPDATE "palette" SET "created_at" = "updated_at"`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE "palette" DROP COLUMN "created_at"`);
  }
}
