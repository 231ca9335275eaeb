import { type LedgerBatch, type LedgerQuery, type BatchSummary, LIKE_THIS } from '@kleur/contract';
import { deltaE00, type LabD65, labD65FromHex, screenColourFromLabD65 } from '@kleur/core/colour';
import { readAt, type Reading } from '@kleur/core/evidence';
import { type FaultId } from '@kleur/core/record';
import { type BatchUses } from '../batches/batches.service.ts';

/** A cured colour of a batch: as it was read, else as its plan foretells it. */
export interface IndexedPot {
  readonly id: string;
  readonly name: string;
  readonly lab: LabD65;
}

/** What the ledger finds a batch by. */
export interface IndexedBatch {
  readonly summary: BatchSummary;
  readonly uses: BatchUses | null;
  readonly faults: ReadonlySet<FaultId>;
  readonly pots: readonly IndexedPot[];
}

/** Cured colours: what was read last of a pot takes the place of what was foretold. */
export function curedPots(uses: BatchUses | null, readings: readonly Reading[]): IndexedPot[] {
  const read = new Map<string, LabD65>();
  for (const r of readings) if (readAt(r) === 'cure' && r.face !== 'scrape') read.set(r.potId, r.lab);
  return (uses?.pots ?? []).map(({ id, name, lab }) => ({ id, name, lab: read.get(id) ?? lab }));
}

/** ΔE00 is at least about a third of the difference in lightness: what lies further off need not be worked out. */
const cannotBeNear = (a: LabD65, b: LabD65, within: number): boolean => Math.abs(a[0] - b[0]) > 3 * within;

/** The pot of a batch that comes nearest to a colour, within a distance. */
export function nearestPot(
  pots: readonly IndexedPot[],
  lab: LabD65,
  within: number,
): { readonly pot: IndexedPot; readonly deltaE: number } | null {
  let best: { pot: IndexedPot; deltaE: number } | null = null;
  for (const pot of pots) {
    if (cannotBeNear(pot.lab, lab, within)) continue;
    const deltaE = deltaE00(pot.lab, lab);
    if (deltaE <= within && (best === null || deltaE < best.deltaE)) best = { pot, deltaE };
  }
  return best;
}

const holds = (text: string, part: string): boolean => text.toLowerCase().includes(part.toLowerCase());

/** A batch that fits, with its nearest pot where a colour was asked for. */
export interface FoundBatch {
  readonly summary: BatchSummary;
  readonly near: ReturnType<typeof nearestPot>;
}

/** As it is sent: only what stands on a page is worth its screen colour. */
export const shown = ({ summary, near }: FoundBatch): LedgerBatch => ({
  ...summary,
  nearest: near && {
    name: near.pot.name,
    hex: screenColourFromLabD65(near.pot.lab).hex,
    deltaE: near.deltaE,
  },
});

/** Batches that fit a question: the nearest first where a colour was asked for, else as they come. */
export function search(index: readonly IndexedBatch[], query: Omit<LedgerQuery, 'page'>): FoundBatch[] {
  const { q, state, colour, material, lot, technique, fault, from, to, within = LIKE_THIS.usual } = query;
  const name = q?.trim() ?? '';
  const label = lot?.trim() ?? '';
  const lab = colour === undefined ? null : labD65FromHex(colour);
  const found: FoundBatch[] = [];
  for (const { summary, uses, faults, pots } of index) {
    if (state !== undefined && summary.state !== state) continue;
    if (name !== '' && !holds(summary.name, name)) continue;
    if (material !== undefined && uses?.materials.includes(material) !== true) continue;
    if (technique !== undefined && uses?.techniques.includes(technique) !== true) continue;
    if (label !== '' && uses?.lots.some((l) => holds(l.label, label)) !== true) continue;
    if (fault !== undefined && !faults.has(fault)) continue;
    if (from !== undefined && (summary.madeOn === null || summary.madeOn < from)) continue;
    if (to !== undefined && (summary.madeOn === null || summary.madeOn > to)) continue;
    if (lab === null) {
      found.push({ summary, near: null });
      continue;
    }
    const near = nearestPot(pots, lab, within);
    if (near) found.push({ summary, near });
  }
  return lab === null ? found : found.sort((a, b) => a.near!.deltaE - b.near!.deltaE);
}
