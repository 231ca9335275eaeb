import { BAND_COUNT, BAND_START_NM, BAND_STEP_NM, type Spectrum } from '../colour/bands.ts';
import { labF, type LabD65, whiteD65 } from '../colour/lab.ts';
import { weightsD65 } from '../colour/observer.ts';
import { type Canvas, canvasAbsorption } from './canvas.ts';
import { absorptionAt, MAX_SPECK_AREA, type Optics } from './optics.ts';
import { baseScatter, type Stage } from './stage.ts';
import { SURFACE_K2, SURFACE_PASS } from './surface.ts';

/**
 * Composition and stage to colour, fast: everything that does not depend on the doses is worked out once.
 * Two-constant mixing K = ΣeᵢKᵢ, S = ΣeᵢSᵢ over the canvas, surface reflection, then specks and fluorescence.
 * Doses are g per kg oils of the pot, in the order of the colourants; buffers are reused, so a mixer must
 * not be shared between threads.
 */
export interface Mixer {
  /** Number of colourants. */
  readonly count: number;
  /** Gloss-excluded reflectance (36 bands) for the doses (`count` numbers ≥ 0). */
  reflectance(doses: ArrayLike<number>, out?: Spectrum): Spectrum;
  /** CIELAB D65 for the doses, written to `out` (3) when given. */
  lab(doses: ArrayLike<number>, out?: Float64Array): Float64Array;
}

// Weights over white, so that the sums are the ratios that CIELAB takes.
const weightX = weightsD65.x.map((w) => w / whiteD65[0]);
const weightY = weightsD65.y.map((w) => w / whiteD65[1]);
const weightZ = weightsD65.z.map((w) => w / whiteD65[2]);

/** Builds a mixer for one canvas and stage. */
export function createMixer(canvas: Canvas, colourants: readonly Optics[], stage: Stage): Mixer {
  const count = colourants.length;
  const kBase = canvasAbsorption(canvas, stage, new Float64Array(BAND_COUNT));
  const sBase = baseScatter(stage);
  const k = new Float64Array(count * BAND_COUNT);
  const s = new Float64Array(count * BAND_COUNT);
  colourants.forEach((optics, i) => {
    absorptionAt(optics, stage, k.subarray(i * BAND_COUNT, (i + 1) * BAND_COUNT));
    s.set(optics.s, i * BAND_COUNT);
  });
  const saturation = Float64Array.from(colourants, (o) => (o.saturation === null ? 0 : 1 / o.saturation));
  const special = colourants.some((o) => o.emission !== null || o.specks !== null);
  const effective = new Float64Array(count);
  const K = new Float64Array(BAND_COUNT);
  const S = new Float64Array(BAND_COUNT);
  const scratch = new Float64Array(BAND_COUNT);

  function mix(doses: ArrayLike<number>): void {
    K.set(kBase);
    S.fill(sBase);
    for (let i = 0; i < count; i++) {
      const dose = doses[i]!;
      const e = dose / (1 + dose * saturation[i]!);
      effective[i] = e;
      if (e === 0) continue;
      const from = i * BAND_COUNT;
      for (let b = 0; b < BAND_COUNT; b++) {
        K[b] = K[b]! + e * k[from + b]!;
        S[b] = S[b]! + e * s[from + b]!;
      }
    }
  }

  function reflect(out: Spectrum): void {
    for (let b = 0; b < BAND_COUNT; b++) {
      const q = K[b]! / S[b]!;
      // 1/R∞ of Kubelka–Munk put straight into the surface correction: one division instead of three.
      out[b] = SURFACE_PASS / (1 + q + Math.sqrt(q * (q + 2)) - SURFACE_K2);
    }
  }

  function addSpecial(doses: ArrayLike<number>, out: Spectrum): void {
    colourants.forEach(({ emission }, i) => {
      if (emission && effective[i]! > 0) addEmission(emission, i, out);
    });
    colourants.forEach(({ specks }, i) => {
      const area = specks ? Math.min(MAX_SPECK_AREA, doses[i]! * specks.areaPerDose) : 0;
      if (!specks || area === 0) return;
      for (let b = 0; b < BAND_COUNT; b++) {
        out[b] = out[b]! + (specks.reflectance[b]! - out[b]!) * area;
      }
    });
  }

  /** Light taken in below the peak by colourant i comes back in its band, less what leaves as heat. */
  function addEmission(emission: NonNullable<Optics['emission']>, i: number, out: Spectrum): void {
    const { peak, width, efficiency } = emission;
    const from = i * BAND_COUNT;
    let taken = 0;
    let shapeSum = 0;
    for (let b = 0; b < BAND_COUNT; b++) {
      const nm = BAND_START_NM + b * BAND_STEP_NM;
      if (nm <= peak) taken += ((1 - out[b]!) * effective[i]! * k[from + b]!) / K[b]!;
      const shape = Math.exp(-0.5 * ((nm - peak) / width) ** 2);
      scratch[b] = shape;
      shapeSum += shape;
    }
    const gain = (efficiency * taken) / shapeSum;
    for (let b = 0; b < BAND_COUNT; b++) out[b] = Math.min(MAX_REFLECTANCE, out[b]! + gain * scratch[b]!);
  }

  const spectrum = new Float64Array(BAND_COUNT);

  function reflectance(doses: ArrayLike<number>, out: Spectrum = new Float64Array(BAND_COUNT)): Spectrum {
    mix(doses);
    reflect(out);
    if (special) addSpecial(doses, out);
    return out;
  }

  function lab(doses: ArrayLike<number>, out: Float64Array = new Float64Array(3)): Float64Array {
    reflectance(doses, spectrum);
    let x = 0;
    let y = 0;
    let z = 0;
    for (let b = 0; b < BAND_COUNT; b++) {
      const r = spectrum[b]!;
      x += r * weightX[b]!;
      y += r * weightY[b]!;
      z += r * weightZ[b]!;
    }
    const fx = labF(x);
    const fy = labF(y);
    const fz = labF(z);
    out[0] = 116 * fy - 16;
    out[1] = 500 * (fx - fy);
    out[2] = 200 * (fy - fz);
    return out;
  }

  return { count, reflectance, lab };
}

/** Fluorescence may lift a band above the light that falls on it, but not without bound. */
export const MAX_REFLECTANCE = 1.5;

/** One colour for one composition: the convenient form of `createMixer(…).lab(…)`. */
export function predictLab(
  canvas: Canvas,
  parts: readonly { readonly optics: Optics; readonly dose: number }[],
  stage: Stage,
): LabD65 {
  const mixer = createMixer(
    canvas,
    parts.map((p) => p.optics),
    stage,
  );
  const [L, a, b] = mixer.lab(parts.map((p) => p.dose));
  return [L!, a!, b!];
}
