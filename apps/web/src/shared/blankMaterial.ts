import { type MaterialWrite } from '@kleur/contract';
import { factsOfKind, type MaterialKind, noLooks } from '@kleur/core/material';

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
