import { BAND_COUNT, type Spectrum } from '../colour/bands.ts';
import { labF, type LabD65 } from '../colour/lab.ts';
import { type TristimulusWeights, viewingD65 } from '../colour/observer.ts';
import { type Canvas, canvasAbsorption, canvasScatter, surfaceOf } from './canvas.ts';
import { surfacedReflectance } from './opaque.ts';
import { absorptionAt, type Optics, scatterSaturationOf } from './optics.ts';
import { addSpecials, isSpecial, type SpecialPart, specialPart } from './special.ts';
import { type Stage } from './stage.ts';
import { surfacePass } from './surface.ts';

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
  /** Absorption and scattering of the canvas (36 each). */
  readonly kBase: Spectrum;
  readonly sBase: Spectrum;
  /** What its surface throws back inside, and by how much a g/kg of powder lowers the scattering. */
  readonly inner: number;
  readonly load: number;
  /** Added to every band at last. */
  readonly gloss: number;
  /**
   * Per unit effective dose, 36 × `stride`, band by band, so that one band's numbers lie together. Filled up
   * with zeros to a multiple of four colourants, which are mixed four at a time.
   */
  readonly stride: number;
  readonly k: Float64Array;
  readonly s: Float64Array;
  /** 1 / c_sat per colourant, 0 for none. */
  readonly saturation: Float64Array;
  /** The same for scattering; null while no bar has told it apart. */
  readonly scatterSaturation: Float64Array | null;
  readonly special: readonly Pick<Optics, 'emission' | 'specks' | 'terms'>[];
}

const inverse = (dose: number | null): number => (dose === null ? 0 : 1 / dose);

/** Makes tables of one canvas at one stage, which share what does not depend on the colourants. */
function tablesAt(canvas: Canvas, stage: Stage): (colourants: readonly Optics[]) => MixTables {
  const shared = {
    kBase: canvasAbsorption(canvas, stage, new Float64Array(BAND_COUNT)),
    sBase: canvasScatter(canvas, stage, new Float64Array(BAND_COUNT)),
    ...surfaceOf(canvas, stage),
  };
  const known = new Map<Optics, Spectrum>();
  const absorptionOf = (optics: Optics): Spectrum => {
    let own = known.get(optics);
    if (!own) known.set(optics, (own = absorptionAt(optics, stage, new Float64Array(BAND_COUNT))));
    return own;
  };
  return (colourants) => {
    const stride = Math.max(4, 4 * Math.ceil(colourants.length / 4));
    const k = new Float64Array(stride * BAND_COUNT);
    const s = new Float64Array(stride * BAND_COUNT);
    colourants.forEach((optics, i) => {
      const own = absorptionOf(optics);
      for (let b = 0; b < BAND_COUNT; b++) {
        k[b * stride + i] = own[b]!;
        s[b * stride + i] = optics.s[b]!;
      }
    });
    return {
      ...shared,
      stride,
      k,
      s,
      saturation: Float64Array.from(colourants, (o) => inverse(o.saturation)),
      scatterSaturation: colourants.some((o) => o.terms)
        ? Float64Array.from(colourants, (o) => inverse(scatterSaturationOf(o)))
        : null,
      special: colourants,
    };
  };
}

/** Tables of a canvas and some colourants at a stage. */
export const mixTables = (canvas: Canvas, colourants: readonly Optics[], stage: Stage): MixTables =>
  tablesAt(canvas, stage)(colourants);

/** Builds mixers for one canvas and stage: quicker than one by one where there are many of the same colourants. */
export function createMixers(canvas: Canvas, stage: Stage): (colourants: readonly Optics[]) => Mixer {
  const tablesOf = tablesAt(canvas, stage);
  return (colourants) => mixerOf(tablesOf(colourants));
}

/** Builds a mixer for one canvas and stage. */
export const createMixer = (canvas: Canvas, colourants: readonly Optics[], stage: Stage): Mixer =>
  mixerOf(mixTables(canvas, colourants, stage));

/** Builds a mixer on given tables. */
export function mixerOf(tables: MixTables): Mixer {
  const { stride, saturation, scatterSaturation, special, load, gloss } = tables;
  const count = saturation.length;
  const effective = new Float64Array(stride);
  // What scatters and what absorbs are one and the same until bars have told them apart.
  const scattering = scatterSaturation ? new Float64Array(stride) : effective;
  const spectrum = new Float64Array(BAND_COUNT);
  const mixSpecials = special.some(isSpecial) ? specialsOf(tables) : null;

  function reflectance(doses: ArrayLike<number>, out: Spectrum = new Float64Array(BAND_COUNT)): Spectrum {
    let powder = 0;
    for (let i = 0; i < count; i++) {
      const dose = doses[i]!;
      effective[i] = dose / (1 + dose * saturation[i]!);
      if (scatterSaturation) scattering[i] = dose / (1 + dose * scatterSaturation[i]!);
      powder += dose;
    }
    const packed = 1 / (1 + load * powder);
    if (mixSpecials) mixSpecials(doses, effective, scattering, packed, out);
    else mix(tables, effective, scattering, packed, out);
    if (gloss !== 0) for (let b = 0; b < BAND_COUNT; b++) out[b] = out[b]! + gloss;
    return out;
  }

  function lab(doses: ArrayLike<number>, out: Float64Array = new Float64Array(3)): Float64Array {
    return labOf(reflectance(doses, spectrum), viewingD65.ratios, out);
  }

  return { count, reflectance, lab };
}

/** Mixes where some of the colourants glow, show as specks or mirror, which takes the absorption and scattering itself. */
function specialsOf({ kBase, sBase, inner, stride, k, s, special }: MixTables) {
  const count = special.length;
  const K = new Float64Array(BAND_COUNT);
  const S = new Float64Array(BAND_COUNT);
  const parts = special.flatMap((optics, i): (SpecialPart & { readonly i: number })[] =>
    isSpecial(optics) ? [{ i, ...specialPart(optics, new Float64Array(BAND_COUNT)) }] : [],
  );
  const pass = surfacePass(inner);
  return (
    doses: ArrayLike<number>,
    e: Float64Array,
    f: Float64Array,
    packed: number,
    out: Spectrum,
  ): void => {
    for (let b = 0; b < BAND_COUNT; b++) {
      const at = b * stride;
      let absorbed = kBase[b]!;
      let scattered = sBase[b]!;
      for (let i = 0; i < count; i++) {
        absorbed += e[i]! * k[at + i]!;
        scattered += f[i]! * s[at + i]!;
      }
      K[b] = absorbed;
      S[b] = scattered * packed;
      out[b] = surfacedReflectance(absorbed, scattered * packed, inner, pass);
    }
    for (const part of parts) {
      part.e = e[part.i]!;
      part.dose = doses[part.i]!;
      for (let b = 0; b < BAND_COUNT; b++) part.k[b] = k[b * stride + part.i]!;
    }
    addSpecials(parts, { K, S, R: out, inner });
  };
}

/**
 * The hot loop. Four colourants at a time, spelled out: an inner loop over them runs three times slower
 * whenever the compiler does not unroll it.
 */
function mix(
  { kBase, sBase, inner, stride, k, s }: MixTables,
  e: Float64Array,
  f: Float64Array,
  packed: number,
  out: Spectrum,
): void {
  const pass = surfacePass(inner);
  const e0 = e[0]!;
  const e1 = e[1]!;
  const e2 = e[2]!;
  const e3 = e[3]!;
  const f0 = f[0]!;
  const f1 = f[1]!;
  const f2 = f[2]!;
  const f3 = f[3]!;
  for (let b = 0; b < BAND_COUNT; b++) {
    const at = b * stride;
    let K = kBase[b]! + e0 * k[at]! + e1 * k[at + 1]! + e2 * k[at + 2]! + e3 * k[at + 3]!;
    let S = sBase[b]! + f0 * s[at]! + f1 * s[at + 1]! + f2 * s[at + 2]! + f3 * s[at + 3]!;
    for (let i = 4; i < stride; i++) {
      K += e[i]! * k[at + i]!;
      S += f[i]! * s[at + i]!;
    }
    out[b] = surfacedReflectance(K, S * packed, inner, pass);
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
