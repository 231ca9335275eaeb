import { fourPotLoaf, planWith } from '../testing/plans.ts';
import { emptyPlan, type Plan } from '../plan/plan.ts';
import { plainMould } from '../plan/moulding.ts';
import { todoOf } from './todo.ts';

const open = (plan: Plan): string[] => [...todoOf(plan)].flatMap(([part, done]) => (done ? [] : [part]));

it('an empty plan lacks everything, and what is there is done', () => {
  expect(open(emptyPlan())).toEqual(['oils', 'mould', 'pots', 'scent', 'print']);
  const loaf = fourPotLoaf();
  expect(open(loaf)).toEqual(['mould', 'scent', 'print']);
  const moulds = [{ id: 'm', count: 1, mould: plainMould('Loaf', 'box') }];
  expect(open({ ...loaf, moulding: { ...loaf.moulding, moulds } })).toEqual(['scent', 'print']);
});

it('oils that do not add up and pots without any colour are not done', () => {
  const loaf = fourPotLoaf();
  const oils = loaf.base.oils.map((o, i) => (i === 0 ? { ...o, percent: o.percent + 5 } : o));
  expect(open({ ...loaf, base: { ...loaf.base, oils } })).toContain('oils');
  const bare = planWith(loaf.pots.map((p) => ({ ...p, doses: [] })));
  expect(open(bare)).toContain('pots');
});
