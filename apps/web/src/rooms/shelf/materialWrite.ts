import { type MaterialWire, type MaterialWrite } from '@kleur/contract';
import {
  type Carrier,
  factsOfKind,
  FATTY_ACIDS,
  type MaterialKind,
  noLooks,
  type OilFacts,
} from '@kleur/core/material';
import { newId } from '../../data/newId.ts';

/** The part of a material that the client may set. */
export function writeOf(m: MaterialWire): MaterialWrite {
  const { id: _id, optics: _optics, curve: _curve, builtIn: _builtIn, version: _version, ...write } = m;
  return write;
}

const POWDER_IN_OIL = [{ medium: 'oil', ratio: 3 }] as const;

/** A new item of a kind, with the fields that the kind needs filled by common figures. */
export const blankMaterial = (kind: MaterialKind): MaterialWrite => ({
  kind,
  form: 'powder',
  name: '',
  colourIndex: '',
  colour: kind === 'oil' || kind === 'scent' || kind === 'additive' ? null : '#9a7f6a',
  looks: noLooks,
  window: kind === 'oil' || kind === 'scent' ? null : { faint: 1, typical: 5, ceiling: 12 },
  carriers: kind === 'oil' || kind === 'scent' ? [] : POWDER_IN_OIL,
  bulkDensity: kind === 'oil' || kind === 'scent' ? null : 0.5,
  ...factsOfKind(kind),
  pace: 1,
  cautions: [],
  claims: [],
  behaviour: '',
  source: 'Entered by hand',
  pricePerGram: null,
  inStock: true,
  stock: null,
  lots: [],
  lyeDemand: 0,
  oil:
    kind === 'oil'
      ? {
          sapKoh: null,
          sapSpread: 3,
          fatty: null,
          saturated: null,
          pace: 'mid',
          carotenoid: 0,
          chlorophyll: 0,
          brown: 0,
        }
      : null,
  scent: kind === 'scent' ? { limit: 30, limitBasis: 'oils', vanillin: 0, tan: 'none', pace: 'none' } : null,
});

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
      fatty: oil.fatty.every((f) => f === null) ? null : oil.fatty.map((f) => f ?? 0),
    },
    lots: lots.filter((l) => l.label.trim() !== ''),
  };
}
