import { deltaE00 } from '../colour/deltaE00.ts';
import { labD65FromReflectance } from '../colour/lab.ts';
import { buildOptics } from '../pigment/buildOptics.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { createMixer } from '../pigment/mixer.ts';
import { cured, type Stage } from '../pigment/stage.ts';
import { FIRST_SOAP, type Mixture, SECOND_SOAP, SoapTrial } from '../testing/soap/index.ts';
import { bumpFrom, BUMPS, bumpWeights } from './basis.ts';
import {
  type Candidate,
  fitReadings,
  type FitMaterial,
  type FitReading,
  type FitResult,
  proposeBars,
  type Proposal,
  refitTouched,
} from './index.ts';
import { Forward, prepare, ROW } from './forward.ts';
import { BASE, layoutOf, OWN } from './layout.ts';
import { leastValues } from './prior.ts';
import { baseAt, opticsAt } from './result.ts';
import { itInFull } from '../../test/cases.ts';

const material = (id: string, change: Partial<FitMaterial> & { readonly colour: string }): FitMaterial => ({
  id,
  spread: 0.4,
  typical: 4,
  mirrors: false,
  turns: false,
  optics: buildOptics({ dose: 4, colour: change.colour, scatter: 0.1, emission: null }),
  ...change,
});
const blue = material('blue', { colour: '#3f5fa8' });
const white: FitMaterial = {
  ...material('white', { colour: '#f2f0e8' }),
  optics: buildOptics({ dose: 4, colour: '#f2f0e8', scatter: 0.5, saturation: 30 }),
};
const neon: FitMaterial = {
  ...material('neon', { colour: '#e85a9a' }),
  optics: buildOptics({
    dose: 4,
    colour: '#e85a9a',
    scatter: 0.02,
    emission: { peak: 600, width: 25, efficiency: 0.3 },
  }),
};
const plates = material('plates', { colour: '#b98a3c', mirrors: true });
const all = [blue, white, neon, plates];

const readingOf = (
  doses: Readonly<Record<string, number>>,
  stage: Stage,
  change: Partial<FitReading> = {},
): FitReading => ({
  id: `${JSON.stringify(doses)} ${stage.gel}`,
  parts: Object.entries(doses).map(([id, dose]) => ({ id, dose })),
  canvas: { ...referenceCanvas, carotenoid: 1, scent: { vanillin: 1.5, tan: 0.3, stabilised: 0 } },
  stage,
  seen: { lab: [50, 0, 0], doubt: 1 },
  instrument: 'reader',
  ...change,
});

/** Unknowns as a fit might end with, within their bounds. */
function somewhere(layout: ReturnType<typeof layoutOf>): Float64Array {
  const p = Float64Array.from({ length: layout.size }, (_, i) => 0.12 * Math.sin(i * 1.7));
  for (const [i, least] of leastValues(layout)) p[i] = Math.max(least, Math.abs(p[i]!) + 0.01);
  p[layout.base + BASE.load] = 0.004;
  p[layout.of.get('plates')! + OWN.sheen] = 0.05;
  return p;
}

describe('what unknowns foretell', () => {
  const doses = { blue: 2, white: 3, neon: 2.5, plates: 4 };

  it('splines add up to one in every band', () => {
    bumpFrom.forEach((from, b) => {
      expect(from + 3).toBeLessThan(BUMPS);
      expect([0, 1, 2, 3].reduce((sum, j) => sum + bumpWeights[b * 4 + j]!, 0)).toBeCloseTo(1, 12);
    });
  });

  it.each([0, 1])('is what the mixer makes of the stored curves, gel %s', (gel) => {
    const reading = readingOf(doses, cured(gel));
    const layout = layoutOf({ materials: all, readings: [reading] });
    const p = somewhere(layout);
    const forward = new Forward(layout);
    forward.evaluate(p, prepare(layout, reading), false);
    const mixer = createMixer(
      { ...reading.canvas, base: baseAt(layout, p, 'reader') },
      all.map((m) => opticsAt(layout, m, p)),
      reading.stage,
    );
    // Curves are stored in four digits.
    mixer.reflectance(reading.parts.map((x) => x.dose)).forEach((v, b) => {
      expect(Math.abs(v - forward.R[b]!)).toBeLessThan(3e-4);
    });
  });

  /** Largest difference between analytic derivatives and small steps, over unknowns and bands. */
  function worstSlope(reading: FitReading): number {
    const layout = layoutOf({ materials: all, readings: [reading] });
    const prepared = prepare(layout, reading);
    const p = somewhere(layout);
    const forward = new Forward(layout);
    forward.evaluate(p, prepared, true);
    const analytic = new Map<number, Float64Array>();
    forward.counts.forEach((count, b) => {
      for (let k = b * ROW; k < b * ROW + count; k++) {
        const row = analytic.get(forward.columns[k]!) ?? new Float64Array(36);
        row[b] = row[b]! + forward.slopes[k]!;
        analytic.set(forward.columns[k]!, row);
      }
    });
    const h = 1e-5;
    const at = (i: number, by: number): Float64Array => {
      const moved = p.slice();
      moved[i] = moved[i]! + by;
      forward.evaluate(moved, prepared, false);
      return forward.R.slice();
    };
    const off = Array.from({ length: layout.size }, (_, i) => {
      const [up, down] = [at(i, h), at(i, -h)];
      return Math.max(...up.map((v, b) => Math.abs((v - down[b]!) / (2 * h) - (analytic.get(i)?.[b] ?? 0))));
    });
    return Math.max(...off);
  }

  it.each([0, 0.4, 1])('has the derivatives that small steps show, gel %s', (gel) => {
    const { neon: _, ...dull } = doses;
    expect(worstSlope(readingOf(dull, { hours: 100, gel }))).toBeLessThan(1e-6);
    // The light that others take from a neon is followed in its own band alone: see Forward.
    expect(worstSlope(readingOf({ neon: 3 }, { hours: 100, gel }))).toBeLessThan(0.12);
  });
});

const trial = new SoapTrial(FIRST_SOAP, ['white', 'red-oxide', 'ultramarine', 'mica-gold', 'neon-yellow']);

/** A bar that is only looked at: so doubtful that it moves nothing. */
const watched = (t: SoapTrial, mixture: Mixture, id: string): FitReading => ({
  id,
  parts: mixture.parts.map((p) => ({ id: p.material.id, dose: p.dose })),
  canvas: referenceCanvas,
  stage: cured(mixture.gel),
  instrument: 'reader',
  seen: { lab: labD65FromReflectance(t.truth(mixture)), doubt: 1e5 },
});

/** ΔE00 by which a fit misses mixtures that it never saw, and by which the labels do. */
function held(t: SoapTrial, readings: readonly FitReading[], mixtures: readonly Mixture[]) {
  const looked = mixtures.map((m, i) => watched(t, m, `held-${i}`));
  const result = fitReadings({ materials: t.materials, readings: [...readings, ...looked] });
  const own = result.readings.slice(readings.length);
  const at = (q: number, of: (r: FitResult['readings'][number]) => number): number =>
    own.map(of).sort((x, y) => x - y)[Math.floor(q * own.length)]!;
  return {
    median: at(0.5, (r) => r.missAfter),
    p95: at(0.95, (r) => r.missAfter),
    before: at(0.5, (r) => r.missBefore),
  };
}

describe('a fit', () => {
  const bars = trial.bars('four');
  const fitted = fitReadings({ materials: trial.materials, readings: bars });
  const mixtures = trial.mixtures(40, 5);

  it('foretells mixtures that it never saw', () => {
    const { median, p95, before } = held(trial, bars, mixtures);
    expect(before).toBeGreaterThan(3);
    expect(median).toBeLessThan(0.7);
    expect(p95).toBeLessThan(2.2);
  });

  it('says how far it would have missed each bar that it was fitted to', () => {
    expect(fitted.typicalMiss).toBeLessThan(1.5);
    for (const m of fitted.materials) {
      expect(m.readings).toBeGreaterThan(7);
      expect(m.typicalMiss).toBeGreaterThan(0);
      // Of white it is how it scatters.
      expect(m.spread).toBeLessThan(trial.materials.find((x) => x.id === m.id)!.spread / 2);
    }
    for (const r of fitted.readings) expect(r.missLeftOut).toBeGreaterThanOrEqual(r.missAfter * 0.99);
  });

  it('a bar left out really is missed by about as much', () => {
    const off = bars.slice(2, 12).map((r, i) => {
      const { lab } = { lab: fitted.readings[i + 2]!.seen };
      const without = bars.map((x) => (x === r ? { ...x, seen: { lab, doubt: 1e5 } } : x));
      const { missAfter } = fitReadings({ materials: trial.materials, readings: without }).readings[i + 2]!;
      return [missAfter, fitted.readings[i + 2]!.missLeftOut] as const;
    });
    const mean = (k: 0 | 1): number => off.reduce((sum, o) => sum + o[k], 0) / off.length;
    expect(mean(1)).toBeGreaterThan(mean(0) / 3);
    expect(mean(1)).toBeLessThan(mean(0) * 3);
  });

  it('points at the one that disagrees, and is not ruined by it', () => {
    const at = bars.findIndex((r) => r.parts.length === 1 && r.parts[0]!.id === 'red-oxide');
    // Somebody read the blue bar in its place.
    const other = bars.find((r) => r.parts.length === 1 && r.parts[0]!.id === 'ultramarine')!;
    const mixed = bars.with(at, { ...bars[at]!, seen: other.seen });
    const result = fitReadings({ materials: trial.materials, readings: mixed });
    expect(result.readings.filter((r) => r.isOdd).map((r) => r.id)).toEqual([mixed[at]!.id]);
    expect(held(trial, mixed, mixtures).median).toBeLessThan(0.9);
  });

  it('one bar of each already beats the label', () => {
    const other = new SoapTrial(SECOND_SOAP, ['white', 'yellow-oxide', 'charcoal', 'mica-red']);
    const { median, p95, before } = held(other, other.bars('one'), other.mixtures(30, 8));
    expect(median).toBeLessThan(Math.min(2, before / 2));
    expect(p95).toBeLessThan(6);
  });

  itInFull('Lab readings alone tell what three numbers can', () => {
    const t = new SoapTrial(FIRST_SOAP, ['white', 'red-oxide', 'ultramarine', 'mica-gold', 'charcoal']);
    const { median, p95 } = held(t, t.bars('four', 'lab'), t.mixtures(40, 6));
    expect(median).toBeLessThan(1.5);
    expect(p95).toBeLessThan(5);
  });
});

describe('little or bad to go by', () => {
  const one = trial.read({ parts: [{ material: trial.shelf[1]!, dose: 3 }], gel: 1 });

  it('no reading: everything is as it was', () => {
    const result = fitReadings({ materials: trial.materials, readings: [] });
    result.materials.forEach((m, i) => {
      expect(m.optics).toBe(trial.materials[i]!.optics);
      expect(m).toMatchObject({ spread: trial.materials[i]!.spread, readings: 0, typicalMiss: null });
    });
    expect(result.typicalMiss).toBeNull();
    expect(result.base.inner).toBeCloseTo(0.55, 9);
  });

  it('one reading moves its own material and leaves the others', () => {
    const result = fitReadings({ materials: trial.materials, readings: [one] });
    expect(result.readings[0]!.missAfter).toBeLessThan(result.readings[0]!.missBefore / 4);
    expect(result.materials.filter((m) => m.readings > 0).map((m) => m.id)).toEqual([trial.shelf[1]!.id]);
  });

  it('a dose of nothing tells of the base alone', () => {
    const bare = trial.read({ parts: [{ material: trial.shelf[1]!, dose: 0 }], gel: 0 });
    const result = fitReadings({ materials: trial.materials, readings: [bare] });
    expect(result.materials.every((m) => m.readings === 0)).toBe(true);
    expect(result.readings[0]!.missAfter).toBeLessThan(result.readings[0]!.missBefore);
  });

  it('two that contradict one another, and many alike, give finite curves between them', () => {
    const darker: FitReading = { ...one, id: 'again', seen: { lab: [25, 20, 10], doubt: 0.5 } };
    const result = fitReadings({
      materials: trial.materials,
      readings: [one, darker, ...Array.from({ length: 12 }, (_, i) => ({ ...one, id: `same-${i}` }))],
    });
    for (const m of result.materials)
      expect([...m.optics.k, ...m.optics.s].every(Number.isFinite)).toBe(true);
    expect(result.readings[1]!.isOdd).toBe(true);
  });

  it('refuses a material that is not there', () => {
    expect(() => fitReadings({ materials: [], readings: [one] })).toThrow(RangeError);
  });
});

describe('bars that are proposed', () => {
  const candidate = (doses: Readonly<Record<string, number>>, gel: number): Candidate => {
    const { seen: _seen, ...bar } = readingOf(doses, cured(gel), { canvas: referenceCanvas });
    return { ...bar, doubt: 1 };
  };
  const candidates = [0, 1].flatMap((gel) => [
    candidate({}, gel),
    ...[1, 4, 8].flatMap((dose) => [
      candidate({ blue: dose }, gel),
      candidate({ blue: dose, white: 4 }, gel),
    ]),
  ]);
  const probes = candidates.filter((c) => c.parts.length > 0);
  const problem = { materials: [blue, white], readings: [] };

  it('lower the spread one after the other, and stop where a further one is worth nothing', () => {
    const proposals = proposeBars(problem, candidates, probes, 6);
    expect(proposals.length).toBeGreaterThan(3);
    proposals.forEach(({ before, after }, i) => {
      expect(after).toBeLessThan(before);
      if (i > 0) expect(before).toBeCloseTo(proposals[i - 1]!.after, 9);
    });
    expect(new Set(proposals.map((p) => p.index)).size).toBe(proposals.length);
    // The first teaches more than the last.
    const fall = (p: Proposal): number => p.before - p.after;
    expect(fall(proposals[0]!)).toBeGreaterThan(2 * fall(proposals.at(-1)!));
    // By a coarse reading nothing is worth making.
    const coarse = candidates.map((c) => ({ ...c, doubt: 1000 }));
    expect(proposeBars(problem, coarse, probes, 6)).toEqual([]);
    expect(proposeBars(problem, [], probes, 6)).toEqual([]);
  });

  it('are what a fit to them would then say', () => {
    const [first] = proposeBars(problem, candidates, probes, 1);
    const chosen = candidates[first!.index]!;
    // Read exactly as it was foretold, so that the fit stays where it is.
    const stage = chosen.stage;
    const mixer = createMixer(
      referenceCanvas,
      chosen.parts.map((p) => (p.id === 'blue' ? blue : white).optics),
      stage,
    );
    const lab = labD65FromReflectance(mixer.reflectance(chosen.parts.map((p) => p.dose)));
    const { doubt, ...bar } = chosen;
    const read: FitReading = { ...bar, seen: { lab, doubt } };
    const [second] = proposeBars({ ...problem, readings: [read] }, candidates, probes, 1);
    expect(second!.before).toBeCloseTo(first!.after, 2);
    // It is not proposed again.
    expect(second!.index).not.toBe(first!.index);
  });
});

describe('one more reading', () => {
  const trial = new SoapTrial(FIRST_SOAP);
  const bars = trial.bars('two', 'spectrum');
  const tint = trial
    .bars('four', 'spectrum')
    .find((r) => r.parts.length === 1 && r.parts[0]!.id !== 'white')!;
  const added = { ...tint, id: 'added' };
  const { materials } = trial;
  const first = fitReadings({ materials, readings: bars });
  const readings = [...bars, added];

  it('moves what it holds nearly as far as a fit to all of them', () => {
    const quick = refitTouched({ materials, readings }, first.known, new Set(['added']));
    const whole = fitReadings({ materials, readings });
    expect(quick.materials.map((m) => m.id)).toEqual([tint.parts[0]!.id]);
    const of = (r: FitResult) => r.readings.find((x) => x.id === 'added')!;
    expect(deltaE00(of(quick).after, of(whole).after)).toBeLessThan(0.15);
    expect(of(quick).missAfter).toBeLessThan(of(quick).missBefore);
    // Only bars that hold it are looked at.
    for (const r of quick.readings)
      expect(readings.find((x) => x.id === r.id)!.parts.map((p) => p.id)).toContain(tint.parts[0]!.id);
    expect(quick.known.base).toEqual(first.known.base);
  });

  it('moves the base alone where it is a bare bar, and nothing where there is none', () => {
    const bare = { ...trial.read({ parts: [], gel: 1 }), id: 'bare' };
    const quick = refitTouched({ materials, readings: [...bars, bare] }, first.known, new Set(['bare']));
    expect(quick.materials).toEqual([]);
    expect(quick.known.base).not.toEqual(first.known.base);
    const still = refitTouched({ materials, readings: bars }, first.known, new Set(['nothing']));
    expect(still.readings).toEqual([]);
    expect(still.known.base).toEqual(first.known.base);
  });

  it('of a colourant that was never fitted begins from what is known of it', () => {
    const [id] = tint.parts.map((p) => p.id);
    const { [id!]: _, ...of } = first.known.of;
    const quick = refitTouched({ materials, readings }, { ...first.known, of }, new Set(['added']));
    expect(quick.readings.find((r) => r.id === 'added')!.missAfter).toBeLessThan(1);
  });
});
