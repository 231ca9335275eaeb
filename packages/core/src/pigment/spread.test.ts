import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { randomOf } from '../device/random.ts';
import { buildOptics } from './buildOptics.ts';
import { type FittedBase, referenceCanvas } from './canvas.ts';
import { predictLab } from './mixer.ts';
import { type Optics } from './optics.ts';
import { createSpread, type CurveMode, defaultModes, type Spread } from './spread.ts';
import { cured } from './stage.ts';

const stage = cured(1);
const blue = buildOptics({ dose: 4, colour: '#3f5fa8', scatter: 0.1, emission: null });
const white = buildOptics({ dose: 4, colour: '#f2f0e8', scatter: 0.5, saturation: 30 });
const neon = buildOptics({
  dose: 4,
  colour: '#e85a9a',
  scatter: 0.02,
  emission: { peak: 600, width: 25, efficiency: 0.3 },
});
const flat = (k: number): CurveMode => ({ k: Array<number>(36).fill(k), s: 0 });
const spread = (
  parts: readonly (readonly [Optics, number, readonly CurveMode[]])[],
  canvas = referenceCanvas,
): Spread =>
  createSpread(
    canvas,
    parts.map(([optics, , modes]) => ({ optics, modes })),
    stage,
  ).of(parts.map(([, dose]) => dose));
const looks = (...parts: readonly (readonly [Optics, number])[]): LabD65 =>
  predictLab(
    referenceCanvas,
    parts.map(([optics, dose]) => ({ optics, dose })),
    stage,
  );

describe('how far a colour may be off', () => {
  it('is what a small change of the curve does to it', () => {
    const sure = spread([[blue, 4, []]]);
    const one = spread([[blue, 4, [flat(0.05)]]]);
    const stronger = { ...blue, k: blue.k.map((k) => k * Math.exp(0.05)) };
    const moved = deltaE00(looks([blue, 4]), looks([stronger, 4]));
    expect(Math.sqrt(one.deltaE ** 2 - sure.deltaE ** 2)).toBeCloseTo(moved, 1);
    // Independent ways add up by their squares.
    const two = spread([[blue, 4, [flat(0.05), flat(0.05)]]]);
    expect(two.deltaE ** 2 - sure.deltaE ** 2).toBeCloseTo(2 * (one.deltaE ** 2 - sure.deltaE ** 2), 6);
  });

  it('grows with the doubt of a curve, and with how much of it shows', () => {
    const at = (doubt: number, dose: number) => spread([[blue, dose, defaultModes(doubt)]]).deltaE;
    expect(at(0.6, 4)).toBeGreaterThan(at(0.35, 4));
    expect(at(0.35, 4)).toBeGreaterThan(at(0.35, 0.02));
    expect(at(0.35, 0)).toBeCloseTo(spread([]).deltaE, 9);
  });

  it('counts a base that bars told as surer, and what a fluorescent gives back as a guess', () => {
    const told: FittedBase = {
      kUngelled: Array<number>(36).fill(0.05),
      kGelled: Array<number>(36).fill(0.08),
      gelScatter: Array<number>(36).fill(0.55),
      inner: 0.55,
      load: 0,
      young: { absorbs: 0, scatters: 0 },
      browns: 1,
      brownsPace: 1,
      gloss: [0, 0],
    };
    expect(spread([], { ...referenceCanvas, base: told }).deltaE).toBeLessThan(spread([]).deltaE);
    const guessed = { ...referenceCanvas, base: { ...told, isGuessed: true } };
    expect(spread([], guessed).deltaE).toBeGreaterThan(spread([], { ...referenceCanvas, base: told }).deltaE);
    const dim = { ...neon, emission: { ...neon.emission!, efficiency: 0.001 } };
    expect(spread([[neon, 4, []]]).deltaE).toBeGreaterThan(spread([[dim, 4, []]]).deltaE + 1);
  });

  it('has a range from darker to lighter through the colour', () => {
    const { range } = spread([
      [blue, 2, defaultModes(0.35)],
      [white, 3, defaultModes(0.35)],
    ]);
    const here = looks([blue, 2], [white, 3]);
    const [dark, light] = range;
    expect(dark[0]).toBeLessThan(here[0]);
    expect(light[0]).toBeGreaterThan(here[0]);
    here.forEach((v, i) => expect((dark[i]! + light[i]!) / 2).toBeCloseTo(v, 6));
  });

  it('of default curves is what truths drawn from it are off by', () => {
    const random = randomOf(7);
    const normal = (): number => Array.from({ length: 12 }, random).reduce((sum, v) => sum + v, -6);
    const drawn = (optics: Optics, modes: readonly CurveMode[]): Optics => {
      const z = modes.map(normal);
      const by = (b: number): number => modes.reduce((sum, m, i) => sum + z[i]! * m.k[b]!, 0);
      const s = Math.exp(modes.reduce((sum, m, i) => sum + z[i]! * m.s, 0));
      return { ...optics, k: optics.k.map((k, b) => k * Math.exp(by(b))), s: optics.s.map((v) => v * s) };
    };
    const modes = defaultModes(0.35);
    let inside = 0;
    const count = 400;
    for (let n = 0; n < count; n++) {
      const doses = [0.5 + 6 * random(), 6 * random()];
      const said = spread([
        [blue, doses[0]!, modes],
        [white, doses[1]!, modes],
      ]);
      const truth = looks([drawn(blue, modes), doses[0]!], [drawn(white, modes), doses[1]!]);
      const here = looks([blue, doses[0]!], [white, doses[1]!]);
      // Base and model are counted in, and were not drawn: a little more than nine of ten lie inside.
      const off = truth.map((v, i) => v - here[i]!);
      const [dark, light] = said.range;
      const axis = light.map((v, i) => v - dark[i]!);
      const along = axis.reduce((sum, v, i) => sum + v * off[i]!, 0) / Math.hypot(...axis) ** 2;
      if (Math.abs(along) <= 0.5) inside++;
    }
    expect(inside / count).toBeGreaterThan(0.84);
    expect(inside / count).toBeLessThan(0.97);
  });
});
