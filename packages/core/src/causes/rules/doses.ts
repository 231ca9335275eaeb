import { isCarbon, type Material } from '../../material/material.ts';
import { type Pot } from '../../plan/plan.ts';

export const has =
  (caution: Material['cautions'][number]) =>
  (m: Material): boolean =>
    m.cautions.includes(caution);
/** A dye that wanders; carbon is only dragged. */
export const dissolves = (m: Material): boolean => has('bleeds')(m) && !isCarbon(m);
export const names = (list: readonly { readonly material: Material }[]): string =>
  [...new Set(list.map((h) => h.material.name))].join(', ');
export const potNames = (pots: readonly Pot[]): string => pots.map((p) => p.name).join(', ');
