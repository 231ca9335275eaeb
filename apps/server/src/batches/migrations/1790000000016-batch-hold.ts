import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Batches tell whether they are on hold. Null until the next start has worked it out. */
export class BatchHold1790000000016 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE "batch" ADD COLUMN "on_hold" boolean`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE "batch" DROP COLUMN "on_hold"`);
  }
}
