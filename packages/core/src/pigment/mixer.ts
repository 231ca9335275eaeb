import { BAND_COUNT, BAND_START_NM, BAND_STEP_NM, type Spectrum, spectrumFrom } from '../colour/bands.ts';
import { labF, type LabD65 } from '../colour/lab.ts';
import { type TristimulusWeights, viewingD65 } from '../colour/observer.ts';
import { type Canvas, canvasAbsorption } from './canvas.ts';
import { opaqueReflectance } from './opaque.ts';
import { absorptionAt, MAX_SPECK_AREA, type Optics } from './optics.ts';
import { baseScatter, type Stage } from './stage.ts';

/**
 * Composition and stage to colour, fast: everything that does not depend on the doses is worked out once.
 * Two-constant mixing K = ΣeᵢKᵢ, S = ΣeᵢSᵢ over the canvas, surface reflection, then fluorescence and specks.
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

/** What a mixer works on. The arrays may be rewritten between predictions by whoever made them. */
export interface MixTables {
  /** Of the canvas (36), and its wavelength-independent scattering. */
  readonly kBase: Spectrum;
  readonly sBase: number;
  /**
   * Per unit effective dose, 36 × `stride`, band by band, so that one band's numbers lie together. Filled up
   * with zeros to a multiple of four colourants, which are mixed four at a time.
   */
  readonly stride: number;
  readonly k: Float64Array;
  readonly s: Float64Array;
  /** 1 / c_sat per colourant, 0 for none. */
  readonly saturation: Float64Array;
  readonly special: readonly Pick<Optics, 'emission' | 'specks'>[];
}

/** Fluorescence may lift a band above the light that falls on it, but not without bound. */
export const MAX_REFLECTANCE = 1.5;

/** Tables of a canvas and some colourants at a stage. */
export function mixTables(canvas: Canvas, colourants: readonly Optics[], stage: Stage): MixTables {
  const stride = Math.max(4, 4 * Math.ceil(colourants.length / 4));
  const k = new Float64Array(stride * BAND_COUNT);
  const s = new Float64Array(stride * BAND_COUNT);
  const own = new Float64Array(BAND_COUNT);
  colourants.forEach((optics, i) => {
    absorptionAt(optics, stage, own);
    for (let b = 0; b < BAND_COUNT; b++) {
      k[b * stride + i] = own[b]!;
      s[b * stride + i] = optics.s[b]!;
    }
  });
  return {
    kBase: canvasAbsorption(canvas, stage, new Float64Array(BAND_COUNT)),
    sBase: baseScatter(stage),
    stride,
    k,
    s,
    saturation: Float64Array.from(colourants, (o) => (o.saturation === null ? 0 : 1 / o.saturation)),
    special: colourants,
  };
}

/** Builds a mixer for one canvas and stage. */
export const createMixer = (canvas: Canvas, colourants: readonly Optics[], stage: Stage): Mixer =>
  mixerOf(mixTables(canvas, colourants, stage));

/** Builds a mixer on given tables. */
export function mixerOf(tables: MixTables): Mixer {
  const { kBase, k, stride, saturation, special } = tables;
  const count = saturation.length;
  const isPlain = special.every((o) => o.emission === null && o.specks === null);
  const effective = new Float64Array(stride);
  const spectrum = new Float64Array(BAND_COUNT);

  function reflectance(doses: ArrayLike<number>, out: Spectrum = new Float64Array(BAND_COUNT)): Spectrum {
    for (let i = 0; i < count; i++) {
      const dose = doses[i]!;
      effective[i] = dose / (1 + dose * saturation[i]!);
    }
    mix(tables, effective, out);
    if (!isPlain) addSpecial(doses, out);
    return out;
  }

  const specked = special.flatMap(({ specks }, i) => (specks ? [{ i, specks }] : []));
  const emitters = special.flatMap(({ emission }, i) => (emission ? [{ i, ...emissionBand(emission) }] : []));

  /** Light taken in below its peak by a fluorescent comes back in its band, less what leaves as heat. */
  function addSpecial(doses: ArrayLike<number>, out: Spectrum): void {
    // All of them first, from the unlit colour: the order of the colourants must not matter.
    const gains = emitters.map(({ i, last, efficiency }) => {
      let taken = 0;
      for (let b = 0; b <= last; b++) taken += (1 - out[b]!) * shareOfAbsorption(b, i);
      return taken * efficiency;
    });
    emitters.forEach(({ shape }, n) => {
      for (let b = 0; b < BAND_COUNT; b++)
        out[b] = Math.min(MAX_REFLECTANCE, out[b]! + gains[n]! * shape[b]!);
    });
    addSpecks(doses, out);
  }

  /** Specks lie side by side on the ground, whatever their order; what they would cover beyond the most, they share. */
  function addSpecks(doses: ArrayLike<number>, out: Spectrum): void {
    let wanted = 0;
    for (const { i, specks } of specked) wanted += doses[i]! * specks.areaPerDose;
    if (wanted === 0) return;
    const covered = Math.min(MAX_SPECK_AREA, wanted);
    for (let b = 0; b < BAND_COUNT; b++) {
      let seen = out[b]! * (1 - covered);
      for (const { i, specks } of specked)
        seen += ((doses[i]! * specks.areaPerDose * covered) / wanted) * specks.reflectance[b]!;
      out[b] = seen;
    }
  }

  function shareOfAbsorption(b: number, i: number): number {
    let K = kBase[b]!;
    for (let j = 0; j < count; j++) K += effective[j]! * k[b * stride + j]!;
    return (effective[i]! * k[b * stride + i]!) / K;
  }

  function lab(doses: ArrayLike<number>, out: Float64Array = new Float64Array(3)): Float64Array {
    return labOf(reflectance(doses, spectrum), viewingD65.ratios, out);
  }

  return { count, reflectance, lab };
}

/**
 * The hot loop. Four colourants at a time, spelled out: an inner loop over them runs three times slower
 * whenever the compiler does not unroll it.
 */
function mix({ kBase, sBase, stride, k, s }: MixTables, e: Float64Array, out: Spectrum): void {
  const e0 = e[0]!;
  const e1 = e[1]!;
  const e2 = e[2]!;
  const e3 = e[3]!;
  for (let b = 0; b < BAND_COUNT; b++) {
    const at = b * stride;
    let K = kBase[b]! + e0 * k[at]! + e1 * k[at + 1]! + e2 * k[at + 2]! + e3 * k[at + 3]!;
    let S = sBase + e0 * s[at]! + e1 * s[at + 1]! + e2 * s[at + 2]! + e3 * s[at + 3]!;
    for (let i = 4; i < stride; i++) {
      K += e[i]! * k[at + i]!;
      S += e[i]! * s[at + i]!;
    }
    out[b] = opaqueReflectance(K, S);
  }
}

/** From reflectance to CIELAB through weights over white, whose sums are the ratios that CIELAB takes. */
function labOf(spectrum: Spectrum, ratios: TristimulusWeights, out: Float64Array): Float64Array {
  let x = 0;
  let y = 0;
  let z = 0;
  for (let b = 0; b < BAND_COUNT; b++) {
    const r = spectrum[b]!;
    x += r * ratios.x[b]!;
    y += r * ratios.y[b]!;
    z += r * ratios.z[b]!;
  }
  const fx = labF(x);
  const fy = labF(y);
  const fz = labF(z);
  out[0] = 116 * fy - 16;
  out[1] = 500 * (fx - fy);
  out[2] = 200 * (fy - fz);
  return out;
}

interface EmissionBand {
  readonly shape: Spectrum;
  readonly last: number;
  readonly efficiency: number;
}
const bands = new WeakMap<NonNullable<Optics['emission']>, EmissionBand>();

/** A fluorescent's emission: normalised band (sums to 1), the last band that feeds it, and its efficiency. */
export function emissionBand(emission: NonNullable<Optics['emission']>): EmissionBand {
  const known = bands.get(emission);
  if (known) return known;
  const { peak, width, efficiency } = emission;
  const raw = spectrumFrom((nm) => Math.exp(-0.5 * ((nm - peak) / width) ** 2));
  const sum = raw.reduce((total, v) => total + v, 0);
  const band = {
    shape: raw.map((v) => v / sum),
    last: Math.floor((peak - BAND_START_NM) / BAND_STEP_NM),
    efficiency,
  };
  bands.set(emission, band);
  return band;
}

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
