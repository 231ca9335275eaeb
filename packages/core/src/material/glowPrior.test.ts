import { deltaE00 } from '../colour/deltaE00.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { predictLab } from '../pigment/mixer.ts';
import { cured } from '../pigment/stage.ts';
import { glowPrior } from './glowPrior.ts';
import { noLooks } from './looks.ts';
import { type MaterialKind } from './material.ts';
import { defaultOptics } from './ownMaterial.ts';

const optics = (kind: MaterialKind, colour: string) =>
  defaultOptics({
    kind,
    colour,
    colourIndex: '',
    window: { faint: 0.5, typical: 4, ceiling: 12 },
    looks: noLooks,
  })!;

it.each([
  ['yellow', '#e6f23a', 505, 540],
  ['green', '#46e06a', 505, 535],
  ['orange', '#ff7a2e', 590, 615],
  ['pink', '#ff4f9a', 590, 615],
  ['violet', '#8a3cf0', 600, 630],
  ['blue', '#3a7cf0', 430, 480],
])('a fluorescent %s glows where such dyes do', (_, colour, from, to) => {
  const { peak, efficiency } = glowPrior('fluorescent', colour)!;
  expect(peak).toBeGreaterThanOrEqual(from);
  expect(peak).toBeLessThanOrEqual(to);
  expect(efficiency).toBeGreaterThan(0);
  expect(efficiency).toBeLessThanOrEqual(0.6);
});

it('nothing else glows', () => {
  for (const kind of ['mica', 'pigment', 'dye', 'clay', 'botanical'] as const)
    expect(optics(kind, '#ff4f9a').emission).toBeNull();
});

it.each(['#e6f23a', '#ff7a2e', '#ff4f9a', '#46e06a'])(
  'one of the maker’s own, %s, is about the picked colour at its typical dose, by an absorption that could be',
  (colour) => {
    const own = optics('fluorescent', colour);
    const lab = predictLab(referenceCanvas, [{ optics: own, dose: 4 }], cured(1));
    expect(deltaE00(lab, labD65FromHex(colour))).toBeLessThan(8);
    expect(4 * Math.max(...own.k)).toBeLessThan(20);
    expect(own.emission).toEqual(glowPrior('fluorescent', colour));
  },
);
