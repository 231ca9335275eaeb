import { type Optics } from '../pigment/optics.ts';
import { type Material, type MaterialForm, type MaterialKind } from './material.ts';
import { FATTY_1, SAP_SPREAD_1 } from './upgradeTables.ts';

/*
 * Materials as earlier versions stored them. Each step gives what was added since its own, frozen defaults: they stay
 * as they are when today's catalogue changes, so that an old file always reads the same.
 */

/** Before stock, lots, lye demand and fatty acids were known. */
type Material1 = Omit<Material2, 'stock' | 'lot' | 'lotTested' | 'lyeDemand'>;
/** One lot as a text, curves without origin. */
type Material2 = Omit<Material3, 'form' | 'lots' | 'curve'> & {
  readonly lot: string;
  readonly lotTested: boolean;
};

/** Density, scrub and allergens by kind and caution; no fat, no water. */
type Material3 = Omit<Material4, 'density' | 'scrub' | 'fat' | 'water' | 'allergens'>;

/** Looks were in the curve alone; what fades only paled. */
type Material4 = Omit<Material, 'looks' | 'optics'> & {
  readonly optics:
    | (Omit<Optics, 'fading'> & {
        readonly fading: Omit<NonNullable<Optics['fading']>, 'darkEnd' | 'lightEnd'> | null;
      })
    | null;
};

const LYE_DEMAND_1: Readonly<Record<string, number>> = { 'citric-acid': 0.625 };

function second(stored: Material1): Material2 {
  const { oil, scent, id } = stored;
  return {
    ...stored,
    stock: null,
    lot: '',
    lotTested: false,
    lyeDemand: LYE_DEMAND_1[id] ?? 0,
    oil: oil && { ...oil, sapSpread: SAP_SPREAD_1, fatty: FATTY_1[id.replace(/^oil-/, '')] ?? null },
    scent: scent && { ...scent, limitBasis: 'oils' },
  };
}

const SPREAD_2: Partial<Readonly<Record<MaterialKind, number>>> = {
  pigment: 0.35,
  mica: 0.6,
  fluorescent: 0.6,
  dye: 0.5,
  clay: 0.5,
  botanical: 0.6,
};

function third({ lot, lotTested, ...stored }: Material2): Material3 {
  const { kind, bulkDensity, cautions, optics } = stored;
  // Until then a density of exactly 1 marked what is no powder, and dense scrubs were taken to sink.
  const form: MaterialForm = SPREAD_2[kind] !== undefined && bulkDensity === 1 ? 'liquid' : 'powder';
  const sinks = kind === 'scrub' && (stored.id.startsWith('pumice') || (bulkDensity ?? 0) >= 0.7);
  return {
    ...stored,
    form,
    cautions: sinks && !cautions.includes('sinks') ? [...cautions, 'sinks'] : cautions,
    lots: lot === '' ? [] : [{ id: 'lot-1', label: lot, tested: lotTested }],
    curve: optics && { origin: { kind: 'default' }, spread: SPREAD_2[kind] ?? 0.6 },
  };
}

const DENSITY_3: Partial<Readonly<Record<MaterialKind, number>>> = {
  pigment: 4,
  mica: 2.8,
  fluorescent: 1.4,
  clay: 2.6,
  scrub: 1.3,
};

const fourth = (stored: Material3): Material4 => ({
  ...stored,
  density: DENSITY_3[stored.kind] ?? 1.4,
  scrub: stored.kind === 'scrub',
  fat: 0,
  water: 0,
  allergens: [],
});

const fifth = ({ optics, ...stored }: Material4): Material => ({
  ...stored,
  optics: optics && {
    ...optics,
    fading: optics.fading && { ...optics.fading, darkEnd: null, lightEnd: null },
  },
  looks: { ungelled: null, fresh: null, fades: null },
});

/** A material as any version stored it → the present one; one that is present already is returned as it is. */
export function upgradeMaterial(stored: object): Material {
  if ('looks' in stored) return stored as Material;
  if ('density' in stored) return fifth(stored as Material4);
  if ('form' in stored) return fifth(fourth(stored as Material3));
  return fifth(fourth(third('lyeDemand' in stored ? (stored as Material2) : second(stored as Material1))));
}
