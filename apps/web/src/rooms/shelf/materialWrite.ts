import { type MaterialWire, type MaterialWrite } from '@kleur/contract';
import { type MaterialKind } from '@kleur/core/material';

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
  window: kind === 'oil' || kind === 'scent' ? null : { faint: 1, typical: 5, ceiling: 12 },
  carriers: kind === 'oil' || kind === 'scent' ? [] : POWDER_IN_OIL,
  bulkDensity: kind === 'oil' || kind === 'scent' ? null : 0.5,
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

/** What a group of the editor's fields reads and changes. */
export interface FieldsProps {
  readonly write: MaterialWrite;
  readonly set: (change: Partial<MaterialWrite>) => void;
}
