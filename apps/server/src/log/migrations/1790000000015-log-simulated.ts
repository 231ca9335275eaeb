import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Entries tell whether a simulated instrument said their value. */
export class LogSimulated1790000000015 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE "log_entry" ADD COLUMN "simulated" boolean NOT NULL DEFAULT (0)`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE "log_entry" DROP COLUMN "simulated"`);
  }
}
