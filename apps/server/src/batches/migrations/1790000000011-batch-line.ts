import type { MigrationInterface, QueryRunner } from 'typeorm';

export class BatchLine1790000000011 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE "batch" ADD COLUMN "parent_id" text`);
    await q.query(`ALTER TABLE "batch" ADD COLUMN "poured" text NOT NULL DEFAULT '{}'`);
    await q.query(`ALTER TABLE "batch" ADD COLUMN "uses" text NOT NULL DEFAULT '{}'`);
    await q.query(`CREATE INDEX "batch_parent" ON "batch" ("parent_id")`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP INDEX "batch_parent"`);
    await q.query(`ALTER TABLE "batch" DROP COLUMN "uses"`);
    await q.query(`ALTER TABLE "batch" DROP COLUMN "poured"`);
    await q.query(`ALTER TABLE "batch" DROP COLUMN "parent_id"`);
  }
}
