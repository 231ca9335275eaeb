import { type MaterialWire, type MaterialWrite } from '@kleur/contract';
import { type Carrier, FATTY_ACIDS, type OilFacts, readSap } from '@kleur/core/material';
import { newId } from '../../data/newId.ts';

/** The part of a material that the client may set. */
export function writeOf(m: MaterialWire): MaterialWrite {
  const { id: _id, optics: _optics, curve: _curve, builtIn: _builtIn, version: _version, ...write } = m;
  return write;
}

/** An item as its form holds it: fields that may be left empty are there all the same. */
export type MaterialEntry = Omit<MaterialWrite, 'carriers' | 'oil'> & {
  readonly carriers: readonly (Omit<Carrier, 'medium'> & { readonly medium: Carrier['medium'] | null })[];
  readonly oil: (Omit<OilFacts, 'fatty'> & { readonly fatty: readonly (number | null)[] }) | null;
};

/** Fills a form with an item. */
export function entryOf(write: MaterialWrite): MaterialEntry {
  const { carriers, oil, lots } = write;
  return {
    ...write,
    carriers: carriers.length > 0 ? carriers : [{ medium: null, ratio: 0 }],
    oil: oil && { ...oil, fatty: oil.fatty ?? FATTY_ACIDS.map(() => null) },
    lots: lots.length > 0 ? lots : [{ id: newId(), label: '', tested: false }],
  };
}

/** Reads an item from its form: what was left empty is none. */
export function writeFrom(entry: MaterialEntry): MaterialWrite {
  const { carriers, oil, lots } = entry;
  const known = carriers.filter((c): c is Carrier => c.medium !== null);
  return {
    ...entry,
    // One that is chosen as the first is no longer among the others.
    carriers: entry.window ? known.filter((c, i) => i === 0 || c.medium !== known[0]!.medium) : [],
    oil: oil && {
      ...oil,
      // Typed in g NaOH per g it is stored as mg KOH per g all the same.
      sapKoh: oil.sapKoh === null ? null : (readSap(oil.sapKoh)?.koh ?? oil.sapKoh),
      fatty: oil.fatty.every((f) => f === null) ? null : oil.fatty.map((f) => f ?? 0),
    },
    lots: lots.filter((l) => l.label.trim() !== ''),
  };
}
