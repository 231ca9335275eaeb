import { type BatchState } from '@kleur/contract';

export const stateName: Readonly<Record<BatchState, string>> = {
  idea: 'Idea',
  planned: 'Planned',
  poured: 'Poured',
  curing: 'Curing',
  finished: 'Finished',
};
