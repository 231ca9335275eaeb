import { deltaE00 } from '../colour/deltaE00.ts';
import { fitReadings } from '../fit/fit.ts';
import { type FitMaterial, type FitReading } from '../fit/problem.ts';
import { buildOptics } from '../pigment/buildOptics.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { createMixer, predictLab } from '../pigment/mixer.ts';
import { type Optics } from '../pigment/optics.ts';
import { cured } from '../pigment/stage.ts';
import { isEarlierLot, type LotReading, splitLots } from './lots.ts';

const optics = buildOptics({ dose: 4, colour: '#8a4a3a', scatter: 0.1, emission: null });
const red: FitMaterial = { id: 'red', optics, spread: 0.35, typical: 4, mirrors: false, turns: false };
const stronger = (by: number): Optics => ({ ...optics, k: optics.k.map((k) => k * by) });
const stage = cured(1);
const bar = (id: string, truth: Optics, dose: number, lot?: string): LotReading => ({
  lot,
  reading: {
    id,
    parts: [{ id: 'red', dose }],
    canvas: referenceCanvas,
    stage,
    instrument: 'reader',
    seen: { spectrum: createMixer(referenceCanvas, [truth], stage).reflectance([dose]) },
  },
});
const old = [1, 4, 8].map((dose) => bar(`old ${dose}`, stronger(1.5), dose, 'A'));

describe('lots', () => {
  it('stay one where only one was read', () => {
    const split = splitLots([red], old, new Map());
    expect(split.materials).toEqual([red]);
    expect(split.readings).toEqual(old.map((r) => r.reading));
  });

  it('are told apart by the one at hand, else by the one that was read last', () => {
    const readings = [bar('new', stronger(1.6), 4, 'B'), ...old, bar('unnamed', stronger(1.5), 2)];
    const ids = (at: ReadonlyMap<string, string>) =>
      splitLots([red], readings, at).readings.map((r) => isEarlierLot(r.parts[0]!.id));
    expect(ids(new Map())).toEqual([false, true, true, true, true]);
    expect(ids(new Map([['red', 'A']]))).toEqual([true, false, false, false, true]);
    expect(ids(new Map([['red', 'never read']]))).toEqual([false, true, true, true, true]);
  });

  it('of a new one begin where the old one ended: one bar of it is enough', () => {
    const readings = [bar('new', stronger(1.7), 4, 'B'), ...old];
    const looks = (of: Optics, dose: number) => predictLab(referenceCanvas, [{ optics: of, dose }], stage);
    const fit = (p: { materials: readonly FitMaterial[]; readings: readonly FitReading[] }) =>
      fitReadings({ ...p, holdsBase: true }).materials.find((m) => m.id === 'red')!;
    const fromOld = fit(splitLots([red], readings, new Map()));
    const alone = fit({ materials: [red], readings: [readings[0]!.reading] });
    const truth = looks(stronger(1.7), 1);
    expect(deltaE00(looks(fromOld.optics, 1), truth)).toBeLessThan(1);
    expect(fromOld.spread).toBeLessThan(alone.spread);
    expect(fromOld.readings).toBe(1);
    // Both together are neither the one nor the other.
    const pooled = fit({ materials: [red], readings: readings.map((r) => r.reading) });
    expect(deltaE00(looks(fromOld.optics, 4), looks(stronger(1.7), 4))).toBeLessThan(
      deltaE00(looks(pooled.optics, 4), looks(stronger(1.7), 4)),
    );
  });
});
