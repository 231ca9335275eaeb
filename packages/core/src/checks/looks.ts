import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { createMixer, predictLab } from '../pigment/mixer.ts';
import { type Optics } from '../pigment/optics.ts';
import { cured, fresh } from '../pigment/stage.ts';
import { type Composition, stageOf } from '../pigment/composition.ts';

/** What the checks ask about the colour of a pot, each answered once. Cured, and gelled as the batch likely is. */
export interface PotLooks {
  readonly composition: Composition;
  readonly cured: LabD65;
  /** The same pot without its colour. */
  readonly uncoloured: LabD65;
  /** The pot at other doses of what is in it. */
  at(doses: readonly number[]): LabD65;
  /** One of its colourants alone, at the dose it has. */
  alone(optics: Optics): LabD65;
  /** Its colourants in the near-white reference base, without scent: what is meant. */
  meant(): LabD65;
  /** ΔE00 between the fresh pot and what it would be if every colourant had settled at once. */
  freshOff(): number;
}

function looks(composition: Composition, gel: number): PotLooks {
  const { canvas, parts } = composition;
  const mixer = createMixer(
    canvas,
    parts.map((p) => p.optics),
    stageOf(composition, cured(gel)),
  );
  const at = (doses: readonly number[]): LabD65 => {
    const [L, a, b] = mixer.lab(doses);
    return [L!, a!, b!];
  };
  let off: number | null = null;
  let meant: LabD65 | null = null;
  const alone = new Map<Optics, LabD65>();
  return {
    composition,
    cured: at(parts.map((p) => p.dose)),
    uncoloured: at(parts.map(() => 0)),
    at,
    alone: (optics) => {
      const found = alone.get(optics) ?? at(parts.map((p) => (p.optics === optics ? p.dose : 0)));
      alone.set(optics, found);
      return found;
    },
    meant: () => (meant ??= predictLab(referenceCanvas, parts, cured(gel))),
    freshOff: () => (off ??= freshOff(composition)),
  };
}

function freshOff({ canvas, parts }: Composition): number {
  // Only what changes in the first days can mislead.
  if (!parts.some((p) => p.optics.fresh ?? p.optics.becomes)) return 0;
  const settled = parts.map((p) => ({
    ...p,
    optics: { ...p.optics, fresh: null, k: p.optics.becomes?.k ?? p.optics.k, becomes: null },
  }));
  return deltaE00(predictLab(canvas, parts, fresh()), predictLab(canvas, settled, fresh()));
}

const ids = new WeakMap<Optics, number>();
let lastId = 0;
function idOf(optics: Optics): number {
  const known = ids.get(optics) ?? ++lastId;
  ids.set(optics, known);
  return known;
}

const keyOf = ({ canvas: c, parts, age, gel }: Composition, batchGel: number): string =>
  [
    batchGel,
    c.carotenoid,
    c.chlorophyll,
    c.brown,
    c.milk,
    c.scent ? `${c.scent.vanillin}/${c.scent.tan}/${c.scent.stabilised}` : '',
    age,
    gel,
    ...parts.map((p) => `${idOf(p.optics)}:${p.dose}`),
  ].join();

/** An edit changes a pot or two: the others are looked up. */
const KEPT = 200;
const kept = new Map<string, PotLooks>();

/**
 * The colours of a composition at the stages that the checks ask about. Equal compositions are looked up, so
 * that a drag works out one pot only.
 */
export function looksOf(composition: Composition, gel = 0): PotLooks {
  const key = keyOf(composition, gel);
  const found = kept.get(key) ?? looks(composition, gel);
  // The newest last, so that the first is the one longest unused.
  kept.delete(key);
  kept.set(key, found);
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
  return found;
}
