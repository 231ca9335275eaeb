import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { type Cup } from '@kleur/core/day';
import { startingShelf } from '@kleur/core/material/catalogue';
import { newPot } from '@kleur/core/plan';
import { gramsPerKg } from '@kleur/core/units';
import { renderIn, testStore } from '../../../../test/render.tsx';
import { CupCard } from './CupCard.tsx';

const material = startingShelf().find((m) => m.id === 'ultramarine-blue')!;
const cup: Cup = {
  id: 'blue:row',
  potId: newPot('blue', 'Blue').id,
  row: {
    id: 'row',
    materialId: material.id,
    dose: gramsPerKg(5),
    perBar: null,
    carrier: null,
    source: 'extra',
  },
  material,
  powder: 2,
  liquid: 4,
  dropMass: 0.06,
};
const said: object[] = [];
beforeEach(() => void said.splice(0));
const show = async (left: number, needed: number | null = null) =>
  renderIn(
    await testStore(),
    <ul>
      <CupCard cup={cup} left={left} needed={needed} onSay={(amount) => said.push(amount)} />
    </ul>,
  );
const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));

it('says what was taken by one touch', async () => {
  await show(1);
  await press('½ of the cup');
  await press('+ 5 drops');
  await press('The rest');
  expect(said).toEqual([
    { by: 'part', value: 0.5 },
    { by: 'drops', value: 5 },
    { by: 'rest', value: 0 },
  ]);
  expect(screen.getByText(/2.0 g in 4.0 g · 100 % left/)).toBeVisible();
});

it('says what the cup still weighs once it is confirmed', async () => {
  await show(1);
  expect(screen.getByRole('button', { name: 'Weighed back' })).toBeDisabled();
  await userEvent.type(screen.getByLabelText('Cup of Ultramarine blue weighs now'), '1.5');
  expect(said).toEqual([]);
  await press('Weighed back');
  expect(said).toEqual([{ by: 'left', value: 1.5 }]);
});

it.each([
  [0.5, '½ of the cup', true],
  [0.49, '½ of the cup', true],
  [0.47, '½ of the cup', false],
  // Five drops are 0.3 of 6 g.
  [0.04, '+ 5 drops', true],
  [0.02, '+ 5 drops', false],
])('with %s left %s is taken at once: %s', async (left, name, atOnce) => {
  await show(left);
  await press(name);
  expect(said).toHaveLength(atOnce ? 1 : 0);
  expect(screen.queryByRole('alert') === null).toBe(atOnce);
});

it('keeps as the maker says what is more than the cup held', async () => {
  await show(0.1);
  await press('½ of the cup');
  await press('No');
  expect(said).toEqual([]);
  await press('½ of the cup');
  await press('Yes, it went in');
  expect(said).toEqual([{ by: 'part', value: 0.5 }]);
});

it.each([
  [0.75, 'Use about 75 % of it: the pot is smaller than planned.'],
  [1.25, 'The pot needs 25 % more than this cup: it is larger than planned.'],
])('tells how much a pot of another size needs: %s', async (needed, text) => {
  await show(1, needed);
  expect(screen.getByText(text)).toBeVisible();
});

it('says nothing of the size where it is as planned', async () => {
  await show(1, 1.02);
  expect(screen.queryByText(/than planned/)).toBeNull();
});
