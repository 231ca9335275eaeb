/**
 * Radiative transfer in a half space that scatters and absorbs, under a smooth surface: adding–doubling on eight
 * directions a hemisphere. van de Hulst (1980), "Multiple Light Scattering"; thin start after Wiscombe (1976);
 * truncated forward peak after Wiscombe (1977), "The delta-M method". Nothing here knows two-constant theory.
 */

const N = 8;
/** Gauss–Legendre on [0, 1]: cosines of the directions, and their weights. */
const MU: readonly number[] = [
  0.019855071751231884, 0.10166676129318664, 0.2372337950418355, 0.4082826787521751, 0.5917173212478249,
  0.7627662049581645, 0.8983332387068134, 0.9801449282487681,
];
const W: readonly number[] = [
  0.05061426814518813, 0.11119051722668724, 0.15685332293894363, 0.18134189168918097, 0.18134189168918097,
  0.15685332293894363, 0.11119051722668724, 0.05061426814518813,
];
/** Flux that a radiance of 1 in a direction carries: they add up to 1. */
const FLUX = MU.map((mu, i) => 2 * mu * W[i]!);
/** The direction that light of a reader comes in by, nearly straight from above. */
const STEEP = N - 1;

type Matrix = Float64Array;
const at = (i: number, j: number): number => i * N + j;

function times(a: Matrix, b: Matrix): Matrix {
  const out = new Float64Array(N * N);
  for (let i = 0; i < N; i++)
    for (let k = 0; k < N; k++) {
      const f = a[at(i, k)]!;
      for (let j = 0; j < N; j++) out[at(i, j)]! += f * b[at(k, j)]!;
    }
  return out;
}

/** (1 − a)⁻¹ b, by Gauss–Jordan: what goes round any number of times adds up to it. */
function rounds(a: Matrix, b: Matrix): Matrix {
  const left = a.map((v, i) => (i % (N + 1) === 0 ? 1 : 0) - v);
  const right = b.slice();
  for (let c = 0; c < N; c++) {
    const pivot = left[at(c, c)]!;
    for (let row = 0; row < N; row++) {
      if (row === c) continue;
      const f = left[at(row, c)]! / pivot;
      for (let j = 0; j < N; j++) {
        left[at(row, j)]! -= f * left[at(c, j)]!;
        right[at(row, j)]! -= f * right[at(c, j)]!;
      }
    }
  }
  return right.map((v, i) => v / left[at(Math.floor(i / N), Math.floor(i / N))]!);
}

const LEGENDRE = MU.map((mu) => {
  const p = [1, mu];
  for (let l = 2; l < 2 * N; l++) p.push(((2 * l - 1) * mu * p[l - 1]! - (l - 1) * p[l - 2]!) / l);
  return p;
});

/**
 * Diffuse reflection of a half space without a surface.
 * @param albedo share of what meets a particle that is scattered, 0–1
 * @param g mean cosine of the scattering, Henyey–Greenstein, 0–1
 * @returns from incoming direction (column) to outgoing direction (row), as radiance
 */
function halfSpace(albedo: number, g: number): Matrix {
  const peak = g ** (2 * N);
  const a = Math.min(1 - 1e-9, (albedo * (1 - peak)) / (1 - albedo * peak));
  const chi = Array.from({ length: 2 * N }, (_, l) => (2 * l + 1) * ((g ** l - peak) / (1 - peak)));
  const tau = MU[0]! / 64;
  let R: Matrix = new Float64Array(N * N);
  let T: Matrix = new Float64Array(N * N);
  for (let i = 0; i < N; i++)
    for (let j = 0; j < N; j++) {
      let forward = 0;
      let back = 0;
      for (let l = 0; l < 2 * N; l++) {
        const h = chi[l]! * LEGENDRE[i]![l]! * LEGENDRE[j]![l]!;
        forward += h;
        back += l % 2 === 0 ? h : -h;
      }
      const scattered = ((a * tau) / (2 * MU[i]!)) * W[j]!;
      R[at(i, j)] = scattered * back;
      T[at(i, j)] = scattered * forward + (i === j ? 1 - tau / MU[i]! : 0);
    }
  for (let n = 0; n < 60; n++) {
    const back = rounds(times(R, R), T);
    const more = times(T, times(R, back));
    T = times(T, back);
    R = R.map((v, i) => v + more[i]!);
    if (Math.max(...more) < 1e-9) break;
  }
  return R;
}

/** Unpolarised reflection of a surface for light from inside at a cosine (Fresnel); 1 beyond the critical angle. */
function fresnelInside(mu: number, n: number): number {
  const sin = n * Math.sqrt(1 - mu * mu);
  if (sin >= 1) return 1;
  const out = Math.sqrt(1 - sin * sin);
  const s = (n * mu - out) / (n * mu + out);
  const p = (mu - n * out) / (mu + n * out);
  return (s * s + p * p) / 2;
}

/** What a half space gives back. */
export interface Reflected {
  /** Of light that falls in steeply, without the gloss of the surface. */
  readonly body: number;
  /** The share of light that is born evenly in all directions just under the surface and comes out. */
  readonly escape: number;
}

/** @param index refractive index of the half space; 1 for no surface */
export function reflected(albedo: number, g: number, index: number): Reflected {
  const R = halfSpace(albedo, g);
  const inside = MU.map((mu) => fresnelInside(mu, index));
  const ground = R.map((v, i) => v * inside[i % N]!);
  /** From what comes down to what comes up, with all that went round between body and surface. */
  const through = rounds(ground, R);
  const outOf = (down: readonly number[]): number => {
    let flux = 0;
    for (let i = 0; i < N; i++)
      for (let j = 0; j < N; j++) flux += FLUX[i]! * (1 - inside[i]!) * through[at(i, j)]! * down[j]!;
    return flux;
  };
  // A flux of 1 that falls in steeply, less what the surface keeps out.
  const body = outOf(MU.map((_, j) => (j === STEEP ? 1 / FLUX[STEEP]! : 0))) * (1 - inside[STEEP]!);
  // Light born evenly: half of it starts upwards, and what the surface throws back of that comes down as well.
  const direct = W.reduce((sum, w, i) => sum + w * (1 - inside[i]!), 0);
  return { body, escape: (direct + outOf(MU.map((mu, j) => (1 + inside[j]!) / (2 * mu)))) / 2 };
}
