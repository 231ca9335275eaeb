import { startingShelf } from '@kleur/core/material/catalogue';
import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Taken for coconut oil and for a hard fat: makers who type a blend must be able to say which they mean. */
const ADDED = ['oil-coconut-fractionated', 'oil-stearic-acid'];

/** Two oils of the starting shelf come to the shelves that were filled before they were known. */
export class LookAlikeOils1790000000017 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    // A new workspace gets them with all others when it is filled.
    const [{ count }] = (await q.query(`SELECT COUNT(*) AS "count" FROM "material"`)) as [{ count: number }];
    if (count === 0) return;
    for (const material of startingShelf().filter((m) => ADDED.includes(m.id))) {
      // One that the maker entered under the same name keeps it alone.
      await q.query(
        `INSERT INTO "material" ("id", "kind", "name", "data", "built_in", "version", "created_at", "updated_at")
         SELECT ?, ?, ?, ?, 1, 1, strftime('%Y-%m-%dT%H:%M:%fZ', 'now'), strftime('%Y-%m-%dT%H:%M:%fZ', 'now')
         WHERE NOT EXISTS (SELECT 1 FROM "material" WHERE "id" = ? OR ("deleted_at" IS NULL AND lower("name") = lower(?)))`,
        [material.id, material.kind, material.name, JSON.stringify(material), material.id, material.name],
      );
    }
  }

  async down(): Promise<void> {
    // Plans may hold them by now; a former version reads them as any other oil.
  }
}
