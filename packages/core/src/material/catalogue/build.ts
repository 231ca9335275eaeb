import { buildOptics, type Appearance } from '../../pigment/buildOptics.ts';
import { type Optics } from '../../pigment/optics.ts';
import { factsOfKind } from '../facts.ts';
import { defaultCurve } from '../curve.ts';
import { looksOf, noLooks } from '../looks.ts';
import { scatterPrior } from '../scatterPrior.ts';
import { type Carrier, type CarrierMedium, type Material, type MaterialKind } from '../material.ts';

/** Claims of what comes from plants and earth as it is. */
export const NATURAL = ['natural', 'vegan', 'palm-free', 'nut-free'] as const;

/** A dose window as the tables write it: faint, typical, ceiling in g/kg oils; null for no faint dose. */
export type WindowRow = readonly [faint: number | null, typical: number, ceiling: number];

const LIQUIDS: Readonly<Record<string, CarrierMedium>> = {
  O: 'oil',
  W: 'water',
  G: 'glycerin',
  L: 'lye-water',
  B: 'batch-oils',
  I: 'infusion',
  T: 'trace',
  P: 'top',
};

/** `"O 2, W 2, B"` → carriers: a letter, and parts of liquid to one of powder where one is weighed out. */
export function carriersFrom(text: string): Carrier[] {
  return text.split(',').map((part) => {
    const [letter, ratio] = part.trim().split(' ');
    const medium = LIQUIDS[letter ?? ''];
    if (!medium) throw new RangeError(`Unknown carrier "${part}"`);
    return { medium, ratio: Number(ratio ?? 0) };
  });
}

export type MaterialRow = Partial<Omit<Material, 'window' | 'carriers' | 'optics' | 'curve' | 'looks'>> & {
  readonly id: string;
  readonly name: string;
  readonly window?: WindowRow;
  readonly carriers?: string;
  /** Looks at the typical dose; `dose` and `colour` are taken from the row, scattering from the kind unless given. */
  readonly looks?: Omit<Appearance, 'dose' | 'colour' | 'scatter'> & { readonly scatter?: number };
  readonly optics?: Optics;
  /** Whether handling it loose raises dust, where that is not as usual for its kind. */
  readonly dusty?: boolean;
};

const DUSTY: readonly MaterialKind[] = ['pigment', 'mica', 'fluorescent', 'dye', 'clay', 'botanical'];

const isDusty = (kind: MaterialKind, form: Material['form'] = 'powder'): boolean =>
  form === 'powder' && DUSTY.includes(kind);

const TYPICAL = 'Typical figure; check your supplier';

/** A row of the starting shelf → a full material, its default curve fitted. */
export function materialFrom(kind: MaterialKind, row: MaterialRow): Material {
  const { looks, optics, window, carriers, dusty = isDusty(kind, row.form), ...rest } = row;
  const colour = row.colour ?? null;
  if (looks && (!colour || !window)) throw new RangeError(`${row.id}: looks need a colour and a window`);
  const scatter = looks?.scatter ?? scatterPrior(kind, row.colourIndex ?? '', colour ?? '');
  const curve =
    looks && colour && window && scatter !== null
      ? buildOptics({ ...looks, scatter, dose: window[1], colour })
      : (optics ?? null);
  const cautions = row.cautions ?? [];
  const tells = (row.allergens ?? []).length > 0;
  return {
    ...factsOfKind(kind),
    colourIndex: '',
    looks: looks ? looksOf(looks) : noLooks,
    bulkDensity: null,
    pace: 1,
    claims: ['vegan', 'palm-free', 'nut-free'],
    behaviour: '',
    source: TYPICAL,
    pricePerGram: null,
    inStock: false,
    stock: null,
    form: 'powder',
    lots: [],
    lyeDemand: 0,
    oil: null,
    scent: null,
    ...rest,
    cautions: [
      ...(dusty && !cautions.includes('fine-powder') ? ['fine-powder' as const] : []),
      ...cautions,
      ...(tells && !cautions.includes('allergen') ? ['allergen' as const] : []),
    ],
    kind,
    colour,
    window: window ? { faint: window[0], typical: window[1], ceiling: window[2] } : null,
    carriers: carriers ? carriersFrom(carriers) : [],
    optics: curve,
    curve: curve && defaultCurve(kind),
  };
}
