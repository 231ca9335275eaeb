import { type Check } from '@kleur/core/checks';
import { type PlanFrame } from './state/planFrame.ts';

type Spot = Exclude<Check['place']['at'], 'pot' | 'dose'>;
/** What a place is called, and where it is. */
const PLACES: Readonly<Record<Spot, readonly [name: string, path: string, part: string]>> = {
  oils: ['Oils', 'base', 'oils'],
  superfat: ['Superfat', 'base', 'oils'],
  lye: ['Lye and liquid', 'base', 'oils'],
  scent: ['Scent', 'base', 'scent'],
  additives: ['Additives', 'base', 'additives'],
  mould: ['Mould', 'base', 'mould'],
  embeds: ['Embeds', 'base', 'embeds'],
  pots: ['Pots', 'pots', ''],
  idea: ['Idea', 'idea', ''],
  work: ['Work', 'prep', 'order'],
};

export interface Place {
  readonly name: string;
  readonly path: string;
  readonly search: string;
}

/** Where a finding is told and mended. */
export function placeOf(plan: Pick<PlanFrame, 'pots'>, { place }: Check): Place {
  if ('potId' in place) {
    const pot = plan.pots.find((p) => p.id === place.potId);
    return { name: pot?.name ?? 'Pots', path: 'pots', search: `?pot=${place.potId}` };
  }
  const [name, path, part] = PLACES[place.at];
  return { name, path, search: part === '' ? '' : `?part=${part}` };
}
