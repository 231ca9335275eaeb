import { BAND_COUNT, type Spectrum, spectrumFrom, wavelengths } from '../../colour/bands.ts';
import { reflected } from './transport.ts';

/*
 * Soap that is not there: what it looks like follows from transfer of light among particles, and from a chemistry of
 * its own. None of it is the colour model of the application, which is judged by how well it learns this soap.
 */

/** What a powder or a plant does in soap. Spectra are per g/kg oils, per mm. */
export interface TrueMaterial {
  readonly id: string;
  readonly name: string;
  readonly kind: 'pigment' | 'mica' | 'fluorescent' | 'clay' | 'botanical';
  readonly colourIndex: string;
  /** Dose of a clear middle tint, g/kg oils. */
  readonly typical: number;
  readonly absorbs: (nm: number) => number;
  /** At 550 nm, its power of the wavelength, and mean cosine. */
  readonly scatters: number;
  readonly power: number;
  readonly g: number;
  /** Absorption of one grain on its way through, at the strongest band: the larger, the flatter its bands. */
  readonly grain: number;
  /** Dose at which half of the grains stick together, for what they absorb and for what they scatter, g/kg. */
  readonly clumpsAt: number;
  readonly clumpScatterAt: number;
  /** Absorption in gelled soap over that in ungelled, and by how far its bands lie to the red there, nm. */
  readonly gelRatio: number;
  readonly gelShift: number;
  /** Share that stays, days, and what becomes of the rest. */
  readonly fades: {
    readonly stays: number;
    readonly days: number;
    readonly spread: number;
    readonly to: (nm: number) => number;
  } | null;
  readonly glows: {
    readonly peak: number;
    readonly width: number;
    readonly yield: number;
    readonly quenchedAt: number;
  } | null;
  /** Plates that mirror at the face: their most, the dose at which most of that is there, the colour of the mirror. */
  readonly sheen: {
    readonly most: number;
    readonly at: number;
    readonly colour: (nm: number) => number;
  } | null;
}

/** What a soap is made of beside its colour, and how it is read. */
export interface SoapPhysics {
  readonly seed: number;
  readonly index: number;
  /** Scattering of the bare soap at 550 nm, per mm, ungelled and cured; its power; its mean cosine. */
  readonly base: { readonly scatters: number; readonly power: number; readonly g: number };
  /** Of full gel: factor on the scattering, on the absorption, and what it adds to the power. */
  readonly gel: { readonly scatters: number; readonly absorbs: number; readonly power: number };
  /** Absorption of the bare soap at 400 nm per mm, its decay in nm, and the ground under it. */
  readonly tint: { readonly at400: number; readonly decay: number; readonly ground: number };
  /** Drying makes it scatter more by this share, with a time constant in days; its tint bleaches by another. */
  readonly dries: { readonly more: number; readonly days: number; readonly bleaches: number };
  /** Grains close together scatter less: share that is lost for each g/kg of load. */
  readonly crowding: number;
  /** Light that leaves beside the reader's window: share of it, and how far that is, mm. */
  readonly lost: { readonly share: number; readonly margin: number };
  /** Gloss that a reader sees, of the ungelled and the gelled face. */
  readonly gloss: readonly [number, number];
  /** Absorption at 450 nm per mm of 3.3 g vanillin per kg, all of it browned; order of the reaction; days; stretch. */
  readonly browns: {
    readonly at450: number;
    readonly order: number;
    readonly days: readonly [number, number];
    readonly stretch: number;
    readonly decay: number;
  };
  /** Of one reading: of the light, of the dark, and of its wavelengths (nm). Weighing: share of a dose. */
  readonly noise: {
    readonly light: number;
    readonly dark: number;
    readonly shift: number;
    readonly weighing: number;
  };
}

/** A bar to be read. */
export interface TrueBar {
  readonly parts: readonly { readonly material: TrueMaterial; readonly dose: number }[];
  /** 0–1. */
  readonly gel: number;
  readonly hours: number;
  /** g of vanillin per kg oils. */
  readonly vanillin: number;
}

const HOURS_A_DAY = 24;
/** Daylight over the bands, relative: what makes a colour glow. */
const DAYLIGHT: Spectrum = spectrumFrom((nm) =>
  nm < 420 ? 0.55 + (nm - 380) / 100 : 1.1 - (nm - 420) / 1000,
);

/** The share of a dose that still works when grains stick together, and stick more the more there are. */
const apart = (dose: number, half: number): number =>
  dose > 0 ? Math.log1p(dose / half) / (dose / half) : 1;

/** What a grain absorbs when it shades itself: Duysens (1956). */
function flattened(strength: number): number {
  return strength < 1e-6 ? 1 : (1 - Math.exp(-strength)) / strength;
}

/** Reflectance (36 bands) of a bar as a perfect reader would see it. */
export function trueReflectance(soap: SoapPhysics, bar: TrueBar): Spectrum {
  const days = bar.hours / HOURS_A_DAY;
  const gel = bar.gel * (1 - Math.exp(-bar.hours / 7));
  const dried = 1 - Math.exp(-days / soap.dries.days);
  const load = bar.parts.reduce((sum, p) => sum + p.dose, 0);
  const crowded = Math.exp(-soap.crowding * load);
  const absorbed = new Float64Array(BAND_COUNT);
  const escape = new Float64Array(BAND_COUNT);
  const out = new Float64Array(BAND_COUNT);
  const own = bar.parts.map(() => new Float64Array(BAND_COUNT));
  const spread = new Float64Array(BAND_COUNT);
  for (let b = 0; b < BAND_COUNT; b++) {
    const nm = wavelengths[b]!;
    const x = nm / 550;
    let mus =
      soap.base.scatters *
      (1 + (soap.gel.scatters - 1) * gel) *
      (1 + soap.dries.more * (dried - 1)) *
      x ** -(soap.base.power + soap.gel.power * gel);
    let cosine = mus * soap.base.g;
    let mua = baseAbsorption(soap, nm, gel, dried) + browned(soap, bar, nm, days);
    bar.parts.forEach(({ material: m, dose }, i) => {
      const k = dose * apart(dose, m.clumpsAt) * ownAbsorption(m, nm, gel, days);
      own[i]![b] = k;
      mua += k;
      const s = dose * apart(dose, m.clumpScatterAt) * m.scatters * x ** -m.power;
      mus += s;
      cosine += s * m.g;
    });
    const g = cosine / mus;
    mus *= crowded;
    const { body, escape: e } = reflected(mus / (mus + mua), g, soap.index);
    // Diffusing light leaves beside the window when the soap is clear.
    spread[b] = Math.sqrt(3 * mua * (mua + mus * (1 - g)));
    out[b] = body * (1 - soap.lost.share * Math.exp(-spread[b]! * soap.lost.margin));
    absorbed[b] = (1 - body) / mua;
    escape[b] = e;
  }
  bar.parts.forEach(({ material: m, dose }, i) => {
    if (!m.glows || dose === 0) return;
    addGlow(m.glows, dose, { own: own[i]!, absorbed, escape, spread }, out);
  });
  let mirrors = 0;
  const tint = new Float64Array(BAND_COUNT);
  for (const { material: m, dose } of bar.parts) {
    if (!m.sheen) continue;
    const share = m.sheen.most * (1 - Math.exp(-dose / m.sheen.at));
    mirrors += share;
    for (let b = 0; b < BAND_COUNT; b++) tint[b]! += share * m.sheen.colour(wavelengths[b]!);
  }
  const gloss = soap.gloss[0] + (soap.gloss[1] - soap.gloss[0]) * gel;
  return out.map((v, b) => gloss + tint[b]! + (1 - mirrors) ** 2 * v);
}

function baseAbsorption(
  { tint, gel: g, dries }: SoapPhysics,
  nm: number,
  gel: number,
  dried: number,
): number {
  const plain = tint.at400 * Math.exp(-(nm - 400) / tint.decay) + tint.ground;
  return plain * (1 + (g.absorbs - 1) * gel) * (1 - dries.bleaches * dried);
}

function browned({ browns }: SoapPhysics, bar: TrueBar, nm: number, days: number): number {
  if (bar.vanillin === 0) return 0;
  const tau = browns.days[0] + (browns.days[1] - browns.days[0]) * bar.gel;
  const extent = 1 - Math.exp(-((days / tau) ** browns.stretch));
  // The longer it goes on, the further its colour reaches into the red.
  const decay = browns.decay * (0.85 + 0.15 * extent);
  return browns.at450 * (bar.vanillin / 3.3) ** browns.order * extent * Math.exp(-(nm - 450) / decay);
}

function ownAbsorption(m: TrueMaterial, nm: number, gel: number, days: number): number {
  const plain = m.absorbs(nm);
  let k = plain;
  if (gel > 0) k += gel * (m.gelRatio * m.absorbs(nm - m.gelShift) - plain);
  if (m.grain > 0) k *= flattened((m.grain * k * m.typical) / 2);
  if (m.fades) {
    const { stays, days: tau, spread, to } = m.fades;
    const left = stays + (1 - stays) * Math.exp(-((days / tau) ** spread));
    k = k * left + (1 - left) * to(nm);
  }
  return k;
}

interface Light {
  readonly own: Spectrum;
  readonly absorbed: Spectrum;
  readonly escape: Spectrum;
  readonly spread: Spectrum;
}

/** Light taken up by a colour that glows, born again deeper than it went in, and partly taken up on its way out. */
function addGlow(
  { peak, width, yield: most, quenchedAt }: NonNullable<TrueMaterial['glows']>,
  dose: number,
  { own, absorbed, escape, spread }: Light,
  out: Spectrum,
): void {
  const shape = spectrumFrom((nm) =>
    Math.exp(-0.5 * ((nm - peak) / (nm < peak ? width * 0.8 : width * 1.3)) ** 2),
  );
  const area = shape.reduce((sum, v) => sum + v, 0);
  const efficiency = most / (1 + dose / quenchedAt);
  for (let e = 0; e < BAND_COUNT; e++) {
    let born = 0;
    for (let b = 0; b < BAND_COUNT; b++) {
      if (wavelengths[b]! > peak + width / 2) break;
      const deep = spread[b]! / (spread[b]! + spread[e]!);
      born += own[b]! * absorbed[b]! * DAYLIGHT[b]! * deep;
    }
    out[e]! += (born * efficiency * shape[e]! * escape[e]!) / area / DAYLIGHT[e]!;
  }
}
