import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { type BatchDocument } from '@kleur/contract';
import { type Check } from '@kleur/core/checks';
import { emptyPlan, setBase } from '@kleur/core/plan';
import { renderIn, testStore } from '../../../test/render.tsx';
import { CheckList } from './CheckList.tsx';
import { bench, presentOf, selectBench } from './state/benchSlice.ts';

const document: BatchDocument = {
  id: 'b1',
  name: 'Terrazzo',
  state: 'idea',
  madeOn: null,
  plan: setBase(emptyPlan(), { superfat: 14 }),
  version: 1,
  parentId: null,
  createdAt: '',
  onHold: false,
  updatedAt: '',
};
const check: Check = {
  id: 'superfat-range',
  level: 'warn',
  place: { at: 'superfat' },
  sentence: 'Superfat is 14 %: soft bars that may go rancid. <b>not bold</b>',
  arithmetic: '14 % above 12 %',
  remedy: 'Common bars sit between 3 and 12 %.',
  repairs: [{ label: 'Set 5 %', apply: (p) => setBase(p, { superfat: 5 }) }],
};

it('tells the finding, its arithmetic and what to do, as text', async () => {
  renderIn(await testStore(), <CheckList checks={[check]} label="Checks" />);
  expect(screen.getByText(check.sentence)).toBeVisible();
  expect(screen.getByText(/Common bars sit/)).toHaveTextContent('(14 % above 12 %)');
});

it('mends by one tap, which one undo takes back', async () => {
  const store = await testStore();
  store.dispatch(bench.opened({ document }));
  renderIn(store, <CheckList checks={[check]} label="Checks" />);
  const superfat = () => presentOf(selectBench(store.getState()))!.plan.base.superfat;
  await userEvent.click(screen.getByRole('button', { name: 'Set 5 %' }));
  expect(superfat()).toBe(5);
  store.dispatch(bench.undone());
  expect(superfat()).toBe(14);
  store.dispatch(bench.closed());
});

it('is nothing where there is nothing to tell', async () => {
  const { container } = renderIn(await testStore(), <CheckList checks={[]} label="Checks" />);
  expect(container).toBeEmptyDOMElement();
});
