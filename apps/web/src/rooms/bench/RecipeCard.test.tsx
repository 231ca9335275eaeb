import { screen, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { type LabD65 } from '@kleur/core/colour';
import { type Recipe } from '@kleur/core/match';
import { renderIn, testStore } from '../../../test/render.tsx';
import { RecipeCard } from './RecipeCard.tsx';

const swatch = { hex: '#7d8fa8', inGamut: true };
const recipe: Recipe = {
  parts: [{ id: 'mica-ribbon', dose: 4.2 }],
  virtues: ['surest'],
  lab: [58, -2, -14],
  deltaE: 1.4,
  fresh: swatch,
  cut: swatch,
  cured: swatch,
  otherGel: swatch,
  cost: 3,
  doubt: 6,
  range: [
    [50, -1, -17],
    [66, -3, -11],
  ] as readonly [LabD65, LabD65],
  evidence: { colourants: 1, tested: 0, readings: 0, typicalMiss: null },
  pace: 1,
};
const card = async (change: Partial<Recipe> = {}, use = jest.fn()) =>
  renderIn(
    await testStore(),
    <ul>
      <RecipeCard
        recipe={{ ...recipe, ...change }}
        wantedHex="#7d8fa8"
        shelf={new Map()}
        potOils={0}
        gelled
        isBaseTold={false}
        onUse={use}
      />
    </ul>,
  );
const pair = (): HTMLElement => screen.getByRole('img', { name: /Wanted #7d8fa8/ });

it('shows how a recipe of guesses may turn out, as teeth in its colour and in a sentence', async () => {
  await card();
  const item = screen.getByRole('listitem', { name: /Recipe: mica-ribbon/ });
  expect(
    within(item).getByText('Shelf defaults, never tested on your base; may miss by ΔE 6.'),
  ).toBeVisible();
  expect(within(item).getByText('surest')).toBeVisible();
  expect(pair().querySelectorAll('path')).toHaveLength(2);
});

it('shows a tested one whole, with the bars that it stands on', async () => {
  await card({
    doubt: 0.8,
    evidence: { colourants: 2, tested: 2, readings: 5, typicalMiss: 1.14 },
  });
  expect(screen.getByText('From 5 of your bars; typical miss ΔE 1.1, may miss by ΔE 1.')).toBeVisible();
  expect(pair().querySelectorAll('path')).toHaveLength(0);
});

it('says where a part of it is a guess, and of a bare pot that it is the base', async () => {
  await card({ evidence: { colourants: 2, tested: 1, readings: 0, typicalMiss: 0.9 } });
  expect(screen.getByText(/^Some of it shelf defaults, never tested/)).toBeVisible();
  await card({ parts: [], evidence: { colourants: 0, tested: 0, readings: 0, typicalMiss: null } });
  expect(screen.getByText(/^The bare base by its oils, never read/)).toBeVisible();
  expect(screen.getByText('Nothing to add: the bare base is nearest')).toBeVisible();
});

it('is used by its button', async () => {
  const use = jest.fn();
  await card({}, use);
  await userEvent.click(screen.getByRole('button', { name: 'Use' }));
  expect(use).toHaveBeenCalledTimes(1);
});
