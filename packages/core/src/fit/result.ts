import { BAND_COUNT, wavelengths } from '../colour/bands.ts';
import { type FittedBase, canvasAbsorption, referenceCanvas } from '../pigment/canvas.ts';
import { type FittedTerms, type Optics } from '../pigment/optics.ts';
import { cured, GELLED_SCATTER } from '../pigment/stage.ts';
import { SURFACE_K2 } from '../pigment/surface.ts';
import { bend } from './basis.ts';
import { BASE, clumpsBefore, type Layout, OWN } from './layout.ts';
import { type FitMaterial } from './problem.ts';

/** Four significant digits: what is stored is what was fitted. */
const short = (v: number): number => Number(v.toPrecision(4));
const LOG_NM = wavelengths.map((nm) => Math.log(nm / 550));
/** A dose that halves an effect beyond this many typical doses is none. */
const MOST_CLUMPS = 200;

/** Curves of a material at unknowns `p`: plain numbers, to be stored and mixed. */
export function opticsAt(layout: Layout, m: FitMaterial, p: ArrayLike<number>): Optics {
  const at = layout.of.get(m.id)!;
  const { optics, typical } = m;
  const before = clumpsBefore(m);
  const half = (clumps: number): number | null => (clumps * MOST_CLUMPS < 1 ? null : short(typical / clumps));
  const factor = (b: number): number => Math.exp(bend(p, at, b));
  const gelled = Math.exp(p[at + OWN.gel]!);
  const curve = (k: readonly number[], more = 1): number[] => k.map((v, b) => short(v * factor(b) * more));
  const moved = (c: Optics['fresh']): Optics['fresh'] => c && { ...c, k: curve(c.k) };
  const { emission, fading } = optics;
  const terms: FittedTerms = {
    scatterSaturation: half(before + p[at + OWN.clumpsScatter]!),
    quench: emission ? half(p[at + OWN.quench]!) : null,
    sheen:
      m.mirrors && !emission && p[at + OWN.sheen]! > 1e-4
        ? { share: short(p[at + OWN.sheen]!), dose: typical }
        : null,
  };
  return {
    ...optics,
    k: curve(optics.k, gelled),
    kUngelled: curve(optics.kUngelled ?? optics.k),
    s: optics.s.map((v, b) =>
      short(v * Math.exp(p[at + OWN.scatter]! + p[at + OWN.scatterSlope]! * LOG_NM[b]!)),
    ),
    saturation: half(before + p[at + OWN.clumps]!),
    fresh: moved(optics.fresh),
    becomes: moved(optics.becomes),
    fading: fading && {
      ...fading,
      darkEnd: fading.darkEnd && curve(fading.darkEnd),
      lightEnd: fading.lightEnd && curve(fading.lightEnd),
    },
    emission: emission && {
      peak: short(emission.peak + 10 * p[at + OWN.peak]!),
      width: short(emission.width * Math.exp(p[at + OWN.width]!)),
      efficiency: short(emission.efficiency * Math.exp(p[at + OWN.glow]!)),
    },
    terms,
  };
}

/** The base at unknowns `p`, as an instrument reads it; without one, without its gloss. */
export function baseAt(layout: Layout, p: ArrayLike<number>, instrument?: string): FittedBase {
  const at = layout.base;
  const gloss = instrument === undefined ? undefined : layout.gloss.get(instrument);
  const plain = (gel: number): Float64Array =>
    canvasAbsorption(referenceCanvas, cured(gel), new Float64Array(BAND_COUNT));
  const curve = (k: Float64Array, from: number): number[] =>
    Array.from(k, (v, b) => short(v * Math.exp(bend(p, at + from, b))));
  return {
    kUngelled: curve(plain(0), BASE.ungelled),
    kGelled: curve(plain(1), BASE.gelled),
    gelScatter: LOG_NM.map((x) =>
      short(GELLED_SCATTER * Math.exp(p[at + BASE.gelScatter]! + p[at + BASE.gelSlope]! * x)),
    ),
    inner: short(SURFACE_K2 + p[at + BASE.inner]!),
    load: short(p[at + BASE.load]!),
    young: { absorbs: short(p[at + BASE.youngAbsorbs]!), scatters: short(p[at + BASE.youngScatters]!) },
    gloss: gloss === undefined ? [0, 0] : [short(p[gloss]!), short(p[gloss + 1]!)],
    browns: short(Math.exp(p[at + BASE.scent]!)),
    brownsPace: short(Math.exp(p[at + BASE.scentPace]!)),
  };
}
