import { type Plan } from '../plan/plan.ts';
import { type Ledger } from './flow.ts';

/**
 * Water that purées and other wet materials bring, g.
 * @param massOf grams by the column of the ledger: of a pot, or of all.
 */
export const materialWater = (
  { materials }: Plan,
  ledger: Ledger,
  massOf: (column: number) => number,
): number =>
  materials.reduce(
    (sum, m) => (m.water > 0 ? sum + (massOf(ledger.material(m.id)) * m.water) / 100 : sum),
    0,
  );
