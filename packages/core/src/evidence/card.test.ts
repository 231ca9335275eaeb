import { type Spectrum } from '../colour/bands.ts';
import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65, labD65FromReflectance } from '../colour/lab.ts';
import { type LinearRgb } from '../colour/srgb.ts';
import { startingShelf } from '../material/catalogue/index.ts';
import { seededRandom } from '../numerics/random.ts';
import { predictReflectance } from '../pigment/composition.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import {
  blackbody,
  cameraOf,
  flat,
  led,
  matrixForLights,
  OTHER_CAMERAS,
  squareOf,
  type SquareOptions,
  type Tone,
  TONES,
  tube,
} from '../testing/camera.ts';
import { type CardInPicture, type PictureByCard, readByCard } from './card.ts';
import { type Light, LIGHT_MATRICES, lightColour } from './light.ts';
import { patchOf } from './patch.ts';
import { xyzFromReflectance } from '../colour/lab.ts';
import { viewingD65 } from '../colour/observer.ts';

const WHITE = flat(0.9);
const GREY = flat(0.19);
const BLACK = flat(0.035);

/** Soaps of the starting shelf; by default other ones than those that the corrections were fitted on. */
function soaps(count: number, seed = 4321): Spectrum[] {
  const random = seededRandom(seed);
  const shelf = startingShelf().filter((m) => m.optics && m.window);
  return Array.from({ length: count }, () => {
    const parts = Array.from({ length: 1 + Math.floor(random() * 3) }, () => {
      const m = shelf[Math.floor(random() * shelf.length)]!;
      return { optics: m.optics!, dose: m.window!.typical * (0.2 + 1.3 * random()) };
    });
    return predictReflectance(
      { canvas: referenceCanvas, parts, age: 0, gel: null },
      { hours: 1000, gel: random() < 0.5 ? 0 : 1 },
    );
  });
}

type Patches = 'white' | 'white-grey' | 'all';

interface Shot extends SquareOptions {
  readonly camera?: (r: Spectrum) => LinearRgb;
  readonly tone?: Tone;
  readonly patches?: Patches;
  readonly light?: Light | null;
  readonly again?: SquareOptions;
}

const plain = cameraOf(OTHER_CAMERAS[0]!, blackbody(5500));

function shoot(bars: readonly Spectrum[], shot: Shot = {}): PictureByCard {
  const { camera = plain, tone = 'plain', patches = 'all', light = 'daylight', again, ...square } = shot;
  const size = square.size ?? 16;
  const patch = (r: Spectrum, more: SquareOptions = {}) =>
    patchOf(squareOf(camera(r), tone, { ...square, ...more }), size, size);
  const known = (r: Spectrum) => ({ patch: patch(r), lab: labD65FromReflectance(r) });
  const card: CardInPicture = {
    white: known(WHITE),
    whiteAgain: again ? patch(WHITE, again) : null,
    grey: patches === 'white' ? null : known(GREY),
    black: patches === 'all' ? known(BLACK) : null,
    light,
  };
  return readByCard(
    card,
    bars.map((r) => patch(r)),
  );
}

function labsOf(picture: PictureByCard): LabD65[] {
  if (!picture.ok) throw new Error(picture.refusal);
  return picture.bars.map((b) => {
    if (!b.ok) throw new Error(b.refusal);
    return b.lab;
  });
}

const quantile = (values: readonly number[], q: number): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length * q)]!;

const misses = (bars: readonly Spectrum[], shot: Shot): number[] =>
  labsOf(shoot(bars, shot)).map((lab, i) => deltaE00(lab, labD65FromReflectance(bars[i]!)));

const LIGHTS_TRIED: readonly (readonly [Light, Spectrum])[] = [
  ['daylight', blackbody(5500)],
  ['daylight', blackbody(7200)],
  ['bulb', blackbody(2856)],
  ['warm-led', led(0.48, 450, 596, 60)],
  ['white-led', led(1, 450, 566, 60)],
  ['tube', tube(0.25)],
];

it('reads soaps by a card of three patches, whatever the camera, the light and the tone curve', () => {
  const bars = soaps(40);
  const tones = Object.keys(TONES) as Tone[];
  const all = OTHER_CAMERAS.flatMap((sensitivities) =>
    LIGHTS_TRIED.flatMap(([light, spectrum]) => {
      const camera = cameraOf(sensitivities, spectrum);
      return tones.flatMap((tone) => misses(bars, { camera, tone, light, size: 5 }));
    }),
  );
  expect(quantile(all, 0.5)).toBeLessThan(2);
  expect(quantile(all, 0.95)).toBeLessThan(5);
});

it('undoes every tone curve in daylight to half of that', () => {
  for (const tone of Object.keys(TONES) as Tone[]) {
    const off = misses(soaps(40), { tone, size: 5 });
    expect(quantile(off, 0.5)).toBeLessThan(1.5);
    expect(quantile(off, 0.95)).toBeLessThan(3.5);
  }
});

it('is less sure with fewer patches and a light that nobody named, and says so', () => {
  const doubts = (shot: Shot): number => {
    const picture = shoot(soaps(1), shot);
    const [bar] = picture.ok ? picture.bars : [];
    return bar?.ok ? bar.doubt : NaN;
  };
  expect(doubts({ patches: 'all' })).toBe(2);
  expect(doubts({ patches: 'white-grey' })).toBe(3);
  expect(doubts({ patches: 'white' })).toBe(5);
  expect(doubts({ patches: 'white', light: null })).toBe(7);
  // A curve is worth its patches: white alone misses a picture with much contrast by more.
  const bars = soaps(40);
  const contrast = { tone: 'film', size: 5 } as const;
  expect(quantile(misses(bars, { ...contrast, patches: 'white' }), 0.5)).toBeGreaterThan(
    2 * quantile(misses(bars, contrast), 0.5),
  );
});

it('takes the colour of the card itself into account: bluish paper does not make a bar yellow', () => {
  const paper = Float64Array.from(WHITE, (v, i) => (i < 12 ? v * 1.04 : v * 0.97));
  const bar = soaps(1)[0]!;
  const patch = (r: Spectrum) => patchOf(squareOf(plain(r), 'plain'), 16, 16);
  const read = (lab: LabD65): LabD65 => {
    const card = { whiteAgain: null, grey: null, black: null, light: 'daylight' } as const;
    const [one] = labsOf(readByCard({ ...card, white: { patch: patch(paper), lab } }, [patch(bar)]));
    return one!;
  };
  const known = read(labD65FromReflectance(paper));
  const takenForWhite = read(labD65FromReflectance(WHITE));
  expect(deltaE00(known, labD65FromReflectance(bar))).toBeLessThan(2);
  expect(takenForWhite[2] - known[2]).toBeGreaterThan(2);
});

it.each([
  ['white-clipped', { exposure: 1.3 }],
  ['too-dark', { exposure: 0.08 }],
  ['uneven', { slope: 0.2 }],
  ['uneven', { again: { exposure: 0.7 } }],
  ['coloured-light', { cast: [1, 0.33, 0.045] }],
  ['coloured-light', { cast: [0.62, 0.8, 1.15], exposure: 0.7 }],
  ['coloured-light', { cast: [0.7, 1.05, 0.75] }],
] as const)('refuses a picture: %s', (refusal, shot) => {
  expect(shoot(soaps(1), shot as Shot)).toEqual({ ok: false, refusal });
});

it.each([
  [{ exposure: 0.95 }],
  [{ exposure: 0.2 }],
  [{ slope: 0.08 }],
  [{ again: { exposure: 0.8 } }],
  [{ cast: [1, 0.41, 0.12] }],
  [{ cast: [0.85, 0.93, 1.05] }],
] as const)('takes what lies within: %j', (shot) => {
  expect(shoot(soaps(1), shot as Shot).ok).toBe(true);
});

it('does not take a bar for the white of the card, nor grey for black', () => {
  const patch = (reflectance: number) => patchOf(squareOf(plain(flat(reflectance)), 'plain'), 16, 16);
  const white = { patch: patch(0.5), lab: labD65FromReflectance(WHITE) };
  const card = { white, whiteAgain: null, grey: null, black: null, light: null };
  expect(readByCard(card, [patch(0.9)])).toMatchObject({
    bars: [{ ok: false, refusal: 'not-the-card' }],
  });
  const grey = { patch: patch(0.6), lab: labD65FromReflectance(GREY) };
  expect(readByCard({ ...card, grey }, [])).toEqual({ ok: false, refusal: 'not-the-card' });
});

it('points at the bar that cannot be read and reads the others', () => {
  const good = patchOf(squareOf(plain(flat(0.4)), 'plain'), 16, 16);
  const edge = patchOf(squareOf(plain(flat(0.4)), 'plain', { slope: 0.8 }), 16, 16);
  const lost = patchOf(squareOf(plain(flat(0.9)), 'plain', { exposure: 1.3 }), 16, 16);
  const card: CardInPicture = {
    white: {
      patch: patchOf(squareOf(plain(WHITE), 'plain'), 16, 16),
      lab: labD65FromReflectance(WHITE),
    },
    whiteAgain: null,
    grey: null,
    black: null,
    light: 'daylight',
  };
  const picture = readByCard(card, [good, edge, lost]);
  expect(picture).toMatchObject({
    ok: true,
    bars: [{ ok: true }, { ok: false, refusal: 'bar-uneven' }, { ok: false, refusal: 'bar-clipped' }],
  });
});

it('names the temperature of a light', () => {
  for (const kelvin of [2600, 4000, 6500, 9500]) {
    const light = blackbody(kelvin);
    const level = light[18]!;
    // Weights hold D65: a light is what it is relative to that.
    const [X, Y, Z] = xyzFromReflectance(
      Float64Array.from(light, (v, i) => v / level / DAYLIGHT[i]!),
      viewingD65,
    );
    expect(Math.abs(lightColour([X, Y, Z]).kelvin - kelvin)).toBeLessThan(0.06 * kelvin);
  }
});
// CIE D65, 380–730 nm, relative to 560 nm.
const DAYLIGHT = [
  0.4998, 0.5465, 0.8275, 0.9149, 0.9343, 0.8668, 1.0486, 1.1701, 1.1781, 1.1486, 1.1592, 1.0881, 1.0935,
  1.078, 1.0479, 1.0769, 1.0441, 1.0405, 1, 0.9633, 0.9579, 0.8869, 0.9001, 0.896, 0.877, 0.8329, 0.837,
  0.8003, 0.8021, 0.8228, 0.7828, 0.6972, 0.7161, 0.7435, 0.616, 0.6989,
];

it('refuses a square that is too small or not whole', () => {
  expect(() => patchOf(new Uint8ClampedArray(16), 2, 2)).toThrow('A patch needs at least 4 × 4 pixels');
  expect(() => patchOf(new Uint8ClampedArray(16), 4, 4)).toThrow('Expected 64 bytes, got 16');
});

it('holds the corrections that the known cameras give', () => {
  const fittedOn: Readonly<Record<Light, readonly Spectrum[]>> = {
    daylight: [blackbody(5000), blackbody(6500), blackbody(8000)],
    bulb: [blackbody(2700), blackbody(3000)],
    'warm-led': [led(0.4, 452, 600, 58), led(0.55, 455, 590, 60)],
    'white-led': [led(0.9, 452, 570, 62), led(1.1, 448, 560, 60)],
    tube: [tube(0.2), tube(0.3)],
  };
  const known = soaps(160, 7);
  for (const [light, spectra] of Object.entries(fittedOn) as [Light, readonly Spectrum[]][]) {
    const fitted = matrixForLights(spectra, known);
    LIGHT_MATRICES[light].forEach((row, i) => {
      row.forEach((v, j) => {
        expect(Math.abs(v - fitted[i]![j]!)).toBeLessThan(0.001);
      });
    });
  }
});
