import { type BatchDocument } from '@kleur/contract';
import { emptyPlan } from '@kleur/core/plan';

/** An empty batch as the server has it, with what a test wants otherwise. */
export const batchDocument = (change: Partial<BatchDocument> = {}): BatchDocument => ({
  id: 'b1',
  name: 'Start',
  state: 'idea',
  madeOn: null,
  plan: emptyPlan(),
  version: 3,
  parentId: null,
  createdAt: '',
  onHold: false,
  updatedAt: '',
  ...change,
});
