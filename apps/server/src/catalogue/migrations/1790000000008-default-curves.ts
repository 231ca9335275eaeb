import { takeNewDefaults, upgradeMaterial } from '@kleur/core/material';
import { startingShelf } from '@kleur/core/material/catalogue';
import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Shelf items whose curve is a default take the better ones; what was fitted, or changed by its maker, stays. */
export class DefaultCurves1790000000008 implements MigrationInterface {
  async up(q: QueryRunner): Promise<void> {
    const entries = new Map(startingShelf().map((m) => [m.id, m]));
    const rows = (await q.query(`SELECT "id", "data", "built_in" FROM "material"`)) as readonly {
      readonly id: string;
      readonly data: string;
      readonly built_in: number;
    }[];
    for (const { id, data, built_in } of rows) {
      const stored = readObject(data);
      if (!stored) continue;
      const entry = built_in ? entries.get(id) : undefined;
      const material = takeNewDefaults(upgradeMaterial(stored), entry);
      await q.query(`UPDATE "material" SET "data" = ? WHERE "id" = ?`, [JSON.stringify(material), id]);
    }
  }

  async down(): Promise<void> {
    // The former curves can be built by no one any more; the present ones can be read by every version.
  }
}

/** A row that cannot be read stays as it is and is told where it is read. */
function readObject(text: string): object | null {
  try {
    const value: unknown = JSON.parse(text);
    return value !== null && typeof value === 'object' && 'kind' in value ? value : null;
  } catch {
    return null;
  }
}
