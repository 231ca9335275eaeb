import { type DoseUnit } from '@kleur/core/units';

export const unitName: Readonly<Record<DoseUnit, string>> = {
  'g-pot': 'g in this pot',
  'g-per-kg': 'g/kg oils',
  percent: '% of oils',
  'tsp-per-lb': 'tsp/lb oils',
  'tsp-per-kg': 'tsp/kg oils',
};
