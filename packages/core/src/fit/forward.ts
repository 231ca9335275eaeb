import { BAND_COUNT, type Spectrum, wavelengths } from '../colour/bands.ts';
import { browned, canvasAbsorption, fullBrowning, referenceCanvas, youth } from '../pigment/canvas.ts';
import { DAYLIGHT, emissionShape, lastFed } from '../pigment/glow.ts';
import { absorptionAt, type Optics } from '../pigment/optics.ts';
import { baseScatter, gelReached } from '../pigment/stage.ts';
import { SURFACE_K1, SURFACE_K2 } from '../pigment/surface.ts';
import { bend, bumpFrom, BUMPS, bumpWeights, OVERLAP } from './basis.ts';
import { BASE, clumpsBefore, type Layout, OWN } from './layout.ts';
import { type FitReading } from './problem.ts';

/** A reading with everything worked out that no unknown changes. */
export interface Prepared {
  readonly reading: FitReading;
  readonly gel: number;
  /** K of the base, of what oils bring, and of the scent's vanillin and its other browning, all of it browned. */
  readonly plain: Spectrum;
  readonly rest: Spectrum;
  readonly scent: readonly [vanillin: Spectrum, tan: Spectrum] | null;
  readonly scatter: number;
  readonly gloss: number;
  readonly parts: readonly PreparedPart[];
  readonly load: number;
  /** Share of the ageing that is still to come. */
  readonly young: number;
}

interface PreparedPart {
  /** First unknown of its material. */
  readonly at: number;
  readonly dose: number;
  readonly typical: number;
  readonly k: Spectrum;
  readonly s: readonly number[];
  /** Typical dose over the dose that halves its effect, as known before. */
  readonly clumps: number;
  readonly glow: Optics['emission'];
  readonly mirrors: boolean;
}

/** log of the wavelength over that of the middle of the spectrum. */
const LOG_NM = wavelengths.map((nm) => Math.log(nm / 550));

export function prepare(layout: Layout, reading: FitReading): Prepared {
  const { canvas, stage, parts } = reading;
  const of = (c: typeof canvas): Spectrum => canvasAbsorption(c, stage, new Float64Array(BAND_COUNT));
  const plain = of(referenceCanvas);
  const unscented = of({ ...canvas, scent: null });
  return {
    reading,
    gel: gelReached(stage),
    plain,
    rest: unscented.map((v, b) => v - plain[b]!),
    scent: canvas.scent && fullBrowning(canvas.scent),
    scatter: baseScatter(stage),
    gloss: layout.gloss.get(reading.instrument)! + (gelReached(stage) > 0.5 ? 1 : 0),
    load: parts.reduce((sum, p) => sum + p.dose, 0),
    young: youth(stage.hours),
    parts: parts.map(({ id, dose }): PreparedPart => {
      const { optics, typical, mirrors } = layout.materials.find((m) => m.id === id)!;
      return {
        at: layout.of.get(id)!,
        dose,
        typical,
        k: absorptionAt(optics, stage, new Float64Array(BAND_COUNT)),
        s: optics.s,
        clumps: clumpsBefore({ optics, typical }),
        glow: optics.emission,
        mirrors,
      };
    }),
  };
}

/** Step of a logarithm at which the share that has browned is derived: one number a reading, far from its rounding. */
const PACE_STEP = 1e-4;

/** Most entries of one row of derivatives. */
const ROW = 512;

/**
 * The reflectance that unknowns foretell for a reading, and its derivatives by them, band by band. Buffers are its own.
 * What a band's absorption does to the light that another band glows with is followed for the one that glows alone:
 * the rest is small, and the sum of squares is exact.
 */
export class Forward {
  readonly R = new Float64Array(BAND_COUNT);
  /** Unknowns and derivatives of band b: `counts[b]` of them from `b × ROW` on. */
  readonly columns = new Int32Array(BAND_COUNT * ROW);
  readonly slopes = new Float64Array(BAND_COUNT * ROW);
  readonly counts = new Int32Array(BAND_COUNT);

  private readonly K = new Float64Array(BAND_COUNT);
  private readonly S = new Float64Array(BAND_COUNT);
  private readonly R0 = new Float64Array(BAND_COUNT);
  private readonly dK = new Float64Array(BAND_COUNT);
  private readonly dS = new Float64Array(BAND_COUNT);
  private readonly dInner = new Float64Array(BAND_COUNT);
  private readonly root = new Float64Array(BAND_COUNT);
  private readonly scent = new Float64Array(BAND_COUNT);
  private readonly scentByPace = new Float64Array(BAND_COUNT);
  /** What absorption and scattering do to the light that is born in a band. */
  private readonly litK = new Float64Array(BAND_COUNT);
  private readonly litS = new Float64Array(BAND_COUNT);
  private readonly litInner = new Float64Array(BAND_COUNT);
  private own: Float64Array[] = [];
  private scattered: Float64Array[] = [];

  constructor(private readonly layout: Layout) {}

  evaluate(p: ArrayLike<number>, r: Prepared, derive: boolean): void {
    this.mix(p, r);
    this.counts.fill(0);
    if (derive) this.slopesOfBody(p);
    this.R.set(this.R0);
    this.litK.fill(0);
    this.litS.fill(0);
    this.litInner.fill(0);
    for (let i = 0; i < r.parts.length; i++) if (r.parts[i]!.glow) this.glow(p, r, i, derive);
    if (derive) this.pushBody(p, r);
    this.mirror(p, r, derive);
    const gloss = p[r.gloss]!;
    for (let b = 0; b < BAND_COUNT; b++) {
      this.R[b] = this.R[b]! + gloss;
      if (derive) this.push(b, r.gloss, 1);
    }
  }

  private push(b: number, column: number, slope: number): void {
    const n = b * ROW + this.counts[b]!++;
    this.columns[n] = column;
    this.slopes[n] = slope;
  }

  /** Absorption, scattering and the light that comes back, without glow and gloss. */
  private mix(p: ArrayLike<number>, r: Prepared): void {
    const { K, S, R0, root } = this;
    const base = this.layout.base;
    const { gel } = r;
    const k2 = SURFACE_K2 + p[base + BASE.inner]!;
    const pass = (1 - SURFACE_K1) * (1 - k2);
    this.brown(p, r);
    const sBase =
      r.scatter * Math.exp(gel * p[base + BASE.gelScatter]! + r.young * p[base + BASE.youngScatters]!);
    const young = Math.exp(r.young * p[base + BASE.youngAbsorbs]!);
    const slope = gel * p[base + BASE.gelSlope]!;
    while (this.own.length < r.parts.length) {
      this.own.push(new Float64Array(BAND_COUNT));
      this.scattered.push(new Float64Array(BAND_COUNT));
    }
    for (let b = 0; b < BAND_COUNT; b++) {
      K[b] = r.plain[b]! * young * this.basePart(p, gel, b) + r.rest[b]! + this.scent[b]!;
      S[b] = sBase * Math.exp(slope * LOG_NM[b]!);
    }
    r.parts.forEach((part, i) => {
      const { at, dose, typical, k, s } = part;
      const e = dose / (1 + (dose * (part.clumps + p[at + OWN.clumps]!)) / typical);
      const f = dose / (1 + (dose * (part.clumps + p[at + OWN.clumpsScatter]!)) / typical);
      const gelled = gel * p[at + OWN.gel]!;
      const own = this.own[i]!;
      const scattered = this.scattered[i]!;
      for (let b = 0; b < BAND_COUNT; b++) {
        own[b] = e * k[b]! * Math.exp(bend(p, at, b) + gelled);
        scattered[b] = f * s[b]! * Math.exp(p[at + OWN.scatter]! + p[at + OWN.scatterSlope]! * LOG_NM[b]!);
        K[b] = K[b]! + own[b]!;
        S[b] = S[b]! + scattered[b]!;
      }
    });
    const packed = 1 / (1 + p[base + BASE.load]! * r.load);
    for (let b = 0; b < BAND_COUNT; b++) {
      const k = K[b]!;
      const s = (S[b] = S[b]! * packed);
      const q = (root[b] = Math.sqrt(k * (k + 2 * s)));
      R0[b] = (pass * s) / (s * (1 - k2) + k + q);
    }
  }

  /** Absorption of the scent, and its derivative by the logarithm of the time that browning takes. */
  private brown(p: ArrayLike<number>, { reading, scent: full }: Prepared): void {
    const { scent, scentByPace } = this;
    const { canvas, stage } = reading;
    if (!full || !canvas.scent) {
      scent.fill(0);
      scentByPace.fill(0);
      return;
    }
    const { base } = this.layout;
    const pace = p[base + BASE.scentPace]!;
    const { stabilised } = canvas.scent;
    const more = Math.exp(p[base + BASE.scent]!);
    const come = (by: number): readonly [number, number] => {
      const factor = Math.exp(pace + by);
      return [more * browned(stage, stabilised, factor), more * browned(stage, 0, factor)];
    };
    const [here, after, before] = [come(0), come(PACE_STEP), come(-PACE_STEP)];
    for (let b = 0; b < BAND_COUNT; b++) {
      const [v, t] = [full[0][b]!, full[1][b]!];
      scent[b] = v * here[0] + t * here[1];
      scentByPace[b] = (v * (after[0] - before[0]) + t * (after[1] - before[1])) / (2 * PACE_STEP);
    }
  }

  private basePart(p: ArrayLike<number>, gel: number, b: number): number {
    const { base } = this.layout;
    return Math.exp((1 - gel) * bend(p, base + BASE.ungelled, b) + gel * bend(p, base + BASE.gelled, b));
  }

  /** Derivatives of the light that comes back, by absorption, scattering and what the surface throws back inside. */
  private slopesOfBody(p: ArrayLike<number>): void {
    const { K, S, R0, dK, dS, dInner, root } = this;
    const k2 = SURFACE_K2 + p[this.layout.base + BASE.inner]!;
    const pass = (1 - SURFACE_K1) * (1 - k2);
    for (let b = 0; b < BAND_COUNT; b++) {
      const inverse = R0[b]! / (pass * S[b]!);
      const x = R0[b]! * inverse;
      const ratio = K[b]! / root[b]!;
      dK[b] = -x * (1 + ratio + S[b]! / root[b]!);
      dS[b] = pass * inverse - x * (1 - k2 + ratio);
      // R∞ and what the surface makes of it.
      const inner = S[b]! / (S[b]! + K[b]! + root[b]!);
      dInner[b] = ((1 - SURFACE_K1) * inner * (inner - 1)) / (1 - k2 * inner) ** 2;
    }
  }

  private pushBody(p: ArrayLike<number>, r: Prepared): void {
    const { S, dInner } = this;
    const { base } = this.layout;
    const { gel } = r;
    const load = p[base + BASE.load]!;
    const young = Math.exp(r.young * p[base + BASE.youngAbsorbs]!);
    const dK = this.dK.map((v, b) => v + this.litK[b]!);
    const dS = this.dS.map((v, b) => v + this.litS[b]!);
    for (let b = 0; b < BAND_COUNT; b++) {
      const bareK = dK[b]! * r.plain[b]! * young * this.basePart(p, gel, b);
      this.bends(b, base + BASE.ungelled, (1 - gel) * bareK);
      this.bends(b, base + BASE.gelled, gel * bareK);
      this.push(b, base + BASE.youngAbsorbs, bareK * r.young);
      const packed = 1 / (1 + load * r.load);
      let others = 0;
      for (let i = 0; i < r.parts.length; i++) others += this.scattered[i]![b]! * packed;
      const bare = dS[b]! * (S[b]! - others);
      this.push(b, base + BASE.gelScatter, bare * gel);
      this.push(b, base + BASE.gelSlope, bare * gel * LOG_NM[b]!);
      this.push(b, base + BASE.youngScatters, bare * r.young);
      this.push(b, base + BASE.inner, dInner[b]! + this.litInner[b]!);
      this.push(b, base + BASE.load, -dS[b]! * S[b]! * r.load * packed);
      if (r.scent) {
        this.push(b, base + BASE.scent, dK[b]! * this.scent[b]!);
        this.push(b, base + BASE.scentPace, dK[b]! * this.scentByPace[b]!);
      }
      r.parts.forEach(({ at, dose, typical, clumps }, i) => {
        const own = dK[b]! * this.own[i]![b]!;
        const scattered = dS[b]! * this.scattered[i]![b]! * packed;
        this.bends(b, at, own);
        this.push(b, at + OWN.scatter, scattered);
        this.push(b, at + OWN.scatterSlope, scattered * LOG_NM[b]!);
        const x = dose / typical;
        this.push(b, at + OWN.clumps, (-own * x) / (1 + x * (clumps + p[at + OWN.clumps]!)));
        this.push(
          b,
          at + OWN.clumpsScatter,
          (-scattered * x) / (1 + x * (clumps + p[at + OWN.clumpsScatter]!)),
        );
        this.push(b, at + OWN.gel, own * gel);
      });
    }
  }

  private bends(b: number, at: number, slope: number): void {
    if (slope === 0) return;
    for (let j = 0; j < OVERLAP; j++)
      this.push(b, at + bumpFrom[b]! + j, slope * bumpWeights[b * OVERLAP + j]!);
  }

  /** Light that is taken up below the band that glows comes back in it, from as deep as it went, less what the pot takes. */
  private glow(p: ArrayLike<number>, r: Prepared, i: number, derive: boolean): void {
    const { K, S, R0, R, dK, root } = this;
    const { at, dose, typical, glow } = r.parts[i]!;
    const own = this.own[i]!;
    const x = dose / typical;
    const k2 = SURFACE_K2 + p[this.layout.base + BASE.inner]!;
    const quench = 1 / (1 + x * p[at + OWN.quench]!);
    const peak = glow!.peak + 10 * p[at + OWN.peak]!;
    const width = glow!.width * Math.exp(p[at + OWN.width]!);
    const emission = { peak, width };
    const gain = glow!.efficiency * Math.exp(p[at + OWN.glow]!) * quench;
    const last = lastFed(emission);
    let taken = 0;
    let deep = 0;
    for (let b = 0; b <= last; b++) {
      const t = ((1 - R0[b]!) * own[b]! * DAYLIGHT[b]!) / K[b]!;
      taken += t;
      deep += t * root[b]!;
    }
    deep /= taken || 1;
    const moved = new Float64Array(BUMPS);
    if (derive)
      for (let b = 0; b <= last; b++) {
        const share = own[b]! / K[b]!;
        const slope = ((1 - R0[b]!) * share * (1 - share) - dK[b]! * own[b]! * share) * DAYLIGHT[b]!;
        for (let j = 0; j < OVERLAP; j++) moved[bumpFrom[b]! + j]! += slope * bumpWeights[b * OVERLAP + j]!;
      }
    for (let b = 0; b < BAND_COUNT; b++) {
      const z = (wavelengths[b]! - peak) / width;
      const shape = emissionShape(emission, b);
      if (shape < 1e-7) continue;
      const inner = S[b]! / (S[b]! + K[b]! + root[b]!);
      const out = ((deep / (deep + root[b]!)) * (1 + inner) * ((1 - k2) / (1 - k2 * inner))) / DAYLIGHT[b]!;
      const each = gain * shape * out;
      const lit = each * taken;
      R[b] = R[b]! + lit;
      if (!derive) continue;
      // By the logarithm of `out`, band by band.
      const sum = S[b]! + K[b]! + root[b]!;
      const perInner = 1 / (1 + inner) + k2 / (1 - k2 * inner);
      const perRoot = -1 / (deep + root[b]!);
      const rootK = (K[b]! + S[b]!) / root[b]!;
      const rootS = K[b]! / root[b]!;
      this.litK[b] = this.litK[b]! + lit * (perRoot * rootK - (perInner * inner * (1 + rootK)) / sum);
      this.litS[b] =
        this.litS[b]! + lit * (perRoot * rootS + perInner * (1 / sum - (inner * (1 + rootS)) / sum));
      this.litInner[b] = this.litInner[b]! + lit * (inner / (1 - k2 * inner) - 1 / (1 - k2));
      this.push(b, at + OWN.glow, lit);
      this.push(b, at + OWN.quench, -lit * x * quench);
      this.push(b, at + OWN.peak, (lit * z * 10) / width);
      this.push(b, at + OWN.width, lit * (z * z - 1));
      for (let j = 0; j < BUMPS; j++) this.push(b, at + j, each * moved[j]!);
    }
  }

  /** Plates near the face mirror a share of the light before it gets in, and of what comes out. */
  private mirror(p: ArrayLike<number>, r: Prepared, derive: boolean): void {
    let share = 0;
    for (const { at, dose, typical, mirrors } of r.parts)
      if (mirrors) share += p[at + OWN.sheen]! * (1 - Math.exp(-dose / typical));
    if (!r.parts.some((part) => part.mirrors)) return;
    const through = (1 - share) ** 2;
    for (let b = 0; b < BAND_COUNT; b++) {
      const under = this.R[b]!;
      this.R[b] = share + through * under;
      if (!derive) continue;
      for (let n = b * ROW; n < b * ROW + this.counts[b]!; n++) this.slopes[n] = this.slopes[n]! * through;
      for (const { at, dose, typical, mirrors } of r.parts)
        if (mirrors)
          this.push(b, at + OWN.sheen, (1 - Math.exp(-dose / typical)) * (1 - 2 * (1 - share) * under));
    }
  }
}

export { ROW };
