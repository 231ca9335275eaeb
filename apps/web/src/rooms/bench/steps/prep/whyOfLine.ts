import { type Plan } from '@kleur/core/plan';
import { type Printer } from '@kleur/core/units';
import { type PrepSheet } from '@kleur/core/work';
import * as why from '@kleur/core/why';

/** The arithmetic behind a line of the sheet, by what its id is of; null for what is only told. */
export function whyOfLine(
  plan: Plan,
  prep: PrepSheet,
  print: Printer,
  id: string,
): (() => readonly string[]) | null {
  const [kind, of, row] = id.split(':');
  const lye = prep.lyes.find((l) => (l.potId ?? 'common') === of);
  const pot = prep.pots.find((p) => p.pot.id === of);
  switch (kind) {
    case 'naoh':
      return lye ? () => why.lye(plan, print, lye) : null;
    case 'liquid':
      return lye ? () => why.liquid(plan, print, lye) : null;
    case 'draw':
      return pot ? () => why.weighed(plan, print, pot.flow) : null;
    case 'holds':
    case 'pour':
      return pot ? () => why.left(print, pot.flow) : null;
    case 'dose': {
      const dose = pot?.rows.find((r) => r.row.id === row);
      return pot && dose && !id.endsWith(':liquid') ? () => why.dose(print, pot.flow, dose) : null;
    }
    case 'scent':
      return () => why.scent(plan, print);
    case 'stabiliser':
      return () => why.stabiliser(plan, print);
    default:
      return null;
  }
}
