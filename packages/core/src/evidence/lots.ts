import { type FitMaterial, type FitReading } from '../fit/problem.ts';

/** A reading with the lot of the colourant that its bar was made for: the first of its parts. */
export interface LotReading {
  readonly reading: FitReading;
  readonly lot?: string | undefined;
}

/** Behind the id of a colourant, for its lots before the one at hand. No id of the shelf ends like this. */
const BEFORE = '\u0000before';

/** Whether a material of a fit stands for lots of which there is nothing left to plan with. */
export const isEarlierLot = (id: string): boolean => id.endsWith(BEFORE);

/** The shelf’s id of a material of a fit, whichever lot it stands for. */
export const shelfIdOf = (id: string): string => (isEarlierLot(id) ? id.slice(0, -BEFORE.length) : id);

/**
 * Colourants of which several lots were read, as two: the lot at hand, which begins where the others ended, and those.
 * Bars that say of no lot count with the others. The rest stays as it is.
 * @param readings the latest first
 * @param atHand labels of the lots at hand, by material; else the one that was read last is it
 */
export function splitLots(
  materials: readonly FitMaterial[],
  readings: readonly LotReading[],
  atHand: ReadonlyMap<string, string>,
): { readonly materials: FitMaterial[]; readonly readings: FitReading[] } {
  const current = new Map<string, string>();
  for (const { id } of materials) {
    const own = readings.filter((r) => r.reading.parts[0]?.id === id);
    const named = own.flatMap((r) => (r.lot ? [r.lot] : []));
    if (named.length === 0 || new Set(own.map((r) => r.lot ?? '')).size < 2) continue;
    const label = atHand.get(id);
    current.set(id, label !== undefined && named.includes(label) ? label : named[0]!);
  }
  return {
    materials: materials.flatMap((m) =>
      current.has(m.id)
        ? [
            { ...m, id: m.id + BEFORE },
            { ...m, lotOf: m.id + BEFORE },
          ]
        : [m],
    ),
    readings: readings.map(({ reading, lot }) => ({
      ...reading,
      parts: reading.parts.map((p, i) => {
        const now = current.get(p.id);
        return now === undefined || (i === 0 && lot === now) ? p : { ...p, id: p.id + BEFORE };
      }),
    })),
  };
}
