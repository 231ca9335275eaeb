import { shelfItem } from '../testing/plans.ts';
import { type Material } from './material.ts';
import { takeNewDefaults } from './newDefaults.ts';

const charcoal = shelfItem('activated-charcoal');
/** As the starting shelf of an earlier version had it, stock and price since changed by its maker. */
const former: Material = {
  ...charcoal,
  colour: '#4d4f52',
  carriers: [
    { medium: 'oil', ratio: 3 },
    { medium: 'batch-oils', ratio: 0 },
  ],
  optics: { ...charcoal.optics!, k: charcoal.optics!.k.map((k) => k / 2) },
  stock: 40,
  pricePerGram: 0.5,
};

it('an entry that was not changed takes colour, carriers and curve; stock and price stay the maker’s', () => {
  expect(takeNewDefaults(former, charcoal)).toEqual({ ...charcoal, stock: 40, pricePerGram: 0.5 });
});

it('what took them once takes them again', () => {
  const once = takeNewDefaults(former, charcoal);
  const older = { ...once, optics: former.optics };
  expect(takeNewDefaults(older, charcoal)).toEqual(once);
});

it('what the maker changed stays: another colour, another carrier, another ceiling', () => {
  const own = takeNewDefaults({ ...former, colour: '#505a5a' }, charcoal);
  expect(own.colour).toBe('#505a5a');
  expect(own.carriers).toEqual(former.carriers);
  // Its curve is built from what it states, on the scattering that is known of carbon.
  expect(own.optics!.s[0]).toBe(0.01);
  expect(own.optics!.k).not.toEqual(former.optics!.k);
  const carriers = [{ medium: 'glycerin', ratio: 3 }] as const;
  expect(takeNewDefaults({ ...former, carriers }, charcoal).carriers).toEqual(carriers);
  const window = { ...former.window!, ceiling: 9 };
  expect(takeNewDefaults({ ...former, window }, charcoal)).toMatchObject({ window, colour: '#3b3c3e' });
});

it('a curve fitted to bars, and specks, stay as they are', () => {
  const fitted: Material = {
    ...former,
    curve: { origin: { kind: 'fitted', version: 1, readings: 4 }, spread: 0.1 },
  };
  expect(takeNewDefaults(fitted, charcoal)).toBe(fitted);
  const poppy = shelfItem('poppy-seed');
  expect(takeNewDefaults(poppy, poppy)).toBe(poppy);
});
