import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { readByCard } from '../evidence/card.ts';
import { type Patch, patchOf } from '../evidence/patch.ts';
import { barPicture, cardSpot, type Pixels, stripeSpot } from './barPicture.ts';

const CARD: readonly LabD65[] = [
  [95, 0, 1],
  [50, 0, 0],
  [20, 0, 0],
];
const STRIPES = [
  { lab: [70, 12, 32], share: 3 },
  { lab: [42, 34, 26], share: 2 },
  { lab: [88, 0, 12], share: 1 },
] as const;
const options = {
  width: 400,
  height: 300,
  card: CARD,
  cast: [1, 0.94, 0.84],
  exposure: 0.82,
  seed: 5,
} as const;

function patchAt({ width, rgba }: Pixels, [u, v]: readonly [number, number]): Patch {
  const side = 10;
  const left = Math.round(u * width) - side / 2;
  const top = Math.round(v * options.height) - side / 2;
  const square = new Uint8ClampedArray(side * side * 4);
  for (let y = 0; y < side; y++)
    square.set(
      rgba.subarray(4 * ((top + y) * width + left), 4 * ((top + y) * width + left + side)),
      4 * y * side,
    );
  return patchOf(square, side, side);
}

it('shows bars that are read back as the colours they were made of', () => {
  const picture = barPicture(STRIPES, options);
  const [white, grey, black] = CARD.map((lab, i) => ({ lab, patch: patchAt(picture, cardSpot(i, 3)) }));
  const read = readByCard(
    { white: white!, grey: grey!, black: black!, whiteAgain: null, light: 'daylight' },
    STRIPES.map((_, i) => patchAt(picture, stripeSpot(STRIPES, i))),
  );
  if (!read.ok) throw new Error(read.refusal);
  read.bars.forEach((bar, i) => {
    if (!bar.ok) throw new Error(bar.refusal);
    expect(deltaE00(bar.lab, STRIPES[i]!.lab)).toBeLessThan(2.5);
  });
});

it('is the same for the same seed', () => {
  const bytes = (seed: number): Buffer => Buffer.from(barPicture(STRIPES, { ...options, seed }).rgba);
  expect(bytes(5).equals(bytes(5))).toBe(true);
  expect(bytes(6).equals(bytes(5))).toBe(false);
});
