import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Shelf items get the dates that every document has; those of before carry the day of this change. */
export class MaterialDates1790000000003 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    for (const column of ['created_at', 'updated_at']) {
      await q.query(`ALTER TABLE "material" ADD COLUMN "${column}" text NOT NULL DEFAULT ''`);
      await q.query(`UPDATE "material" SET "${column}" = strftime('%Y-%m-%dT%H:%M:%fZ', 'now')`);
    }
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE "material" DROP COLUMN "created_at"`);
    await q.query(`ALTER TABLE "material" DROP COLUMN "updated_at"`);
  }
}
