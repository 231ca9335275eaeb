import { type Carrier, type CarrierMedium, isWeighedCarrier, type Material } from '../material/material.ts';
import { measure, type Measured, type Measuring } from '../units/measure.ts';
import { type Grams, grams } from '../units/quantity.ts';
import { flowOf } from '../balance/balance.ts';
import { type DoseFlow, type Flow } from '../balance/flow.ts';
import { materialOf, type Plan, type Pot, type Stock } from '../plan/plan.ts';

export const mediumName: Readonly<Record<CarrierMedium, string>> = {
  oil: 'light oil',
  water: 'water',
  glycerin: 'glycerin',
  'lye-water': 'the lye water',
  'batch-oils': 'the batch oils',
  infusion: 'oil, infused and strained',
  trace: 'at trace, dry',
  top: 'on top only',
};

/**
 * What a powder is wetted with: the oil by its name where it was chosen or comes out of the oils of its lye. Without a
 * pot it is meant for all, and named only where all lyes take the same.
 */
export function liquidName(plan: Plan, medium: CarrierMedium, fromBatch: boolean, potId?: string): string {
  if (medium !== 'oil') return mediumName[medium];
  const id = plan.work.carrierOil ?? (fromBatch ? ofLyes(flowOf(plan), potId) : null);
  return id === null ? mediumName.oil : materialOf(plan, id).name;
}

function ofLyes({ pots, lyes }: Flow, potId: string | undefined): string | null {
  const pot = pots.find((p) => p.pot.id === potId);
  const oils = new Set(lyes.filter((l) => !pot || l.potId === pot.group).map((l) => l.carrierOil));
  return oils.size === 1 ? [...oils][0]! : null;
}

/** Liquid for a powder by weight; 0 where it goes in as it is. */
export const carrierMass = (powder: Grams, carrier: Carrier | null): Grams =>
  grams(carrier ? powder * carrier.ratio : 0);

/** How a powder is wetted, with what, how long it stands, and how to see that it is done. */
export interface DispersionWay {
  readonly vessel: string;
  readonly tool: string;
  readonly wait: string;
  readonly check: string;
}

const PAPER = 'Draw a spoon over white paper: no specks, no streaks.';

/** How a material is dispersed in a medium: vessel, tool and care; null where nothing is stirred. */
export function dispersionWay(material: Material, medium: CarrierMedium | null): DispersionWay | null {
  const clumps = material.cautions.includes('clumps');
  switch (medium) {
    case 'oil':
    case 'glycerin':
      return {
        vessel: 'small cup',
        tool: clumps ? 'frother, high' : 'frother or spoon',
        wait: clumps ? '10 min, then shear again' : '5 min',
        check: clumps ? `Strain. ${PAPER}` : PAPER,
      };
    case 'water':
      return material.kind === 'clay'
        ? {
            vessel: 'small cup',
            tool: 'spoon',
            wait: '15 min to drink, then stir',
            check: 'Smooth, no dry lumps.',
          }
        : { vessel: 'small cup', tool: 'frother', wait: '5 min', check: clumps ? `Strain. ${PAPER}` : PAPER };
    case 'infusion':
      return {
        vessel: 'jar',
        tool: 'warm water bath',
        wait: '2 h, or weeks in the cold',
        check: 'Strain through cloth.',
      };
    case 'lye-water':
      return {
        vessel: 'the lye vessel',
        tool: 'spoon',
        wait: 'until it has dissolved',
        check: 'Clear, or evenly coloured.',
      };
    case 'batch-oils':
      return {
        vessel: 'the oils',
        tool: 'stick blender',
        wait: 'none',
        check: 'Scrape the pot and hunt for lumps.',
      };
    default:
      return null;
  }
}

/** How to disperse a material, as one short instruction. */
export function dispersionHint(material: Material, medium: CarrierMedium | null): string {
  switch (medium) {
    case 'lye-water':
      return 'Stir into the lye water before the oils.';
    case 'batch-oils':
      return 'Blend into the oils before the lye; scrape the pot and hunt for lumps.';
    case 'trace':
      return 'Stir in dry by hand at light trace.';
    case 'top':
      return 'Keep for the top.';
    case 'infusion':
      return 'Infuse in warm oil beforehand, then strain; the dose is the dry plant.';
    case 'water':
      if (material.kind === 'clay') return 'Sprinkle onto the water, let it drink, then stir smooth.';
      return 'Wet the powder, stir smooth, check on white paper.';
    case 'oil':
    case 'glycerin':
      return material.cautions.includes('clumps')
        ? 'Shear with a frother, let stand, shear again; strain, check on white paper.'
        : 'Stir or froth until no dry powder shows; check on white paper.';
    case null:
      return 'No carrier chosen.';
  }
}

export interface DispersionUse {
  readonly pot: Pot;
  readonly rowId: string;
  /** Powder that the dose asks for, and what the pot gets of what was measured out, g. */
  readonly wanted: number;
  readonly powder: number;
  /** Of the finished dispersion, g. */
  readonly mass: number;
  /** Of a stock bottle; null otherwise. */
  readonly drops: number | null;
}

/** One cup to make up, or one bottle to draw from. */
export interface Dispersion {
  readonly material: Material;
  readonly carrier: Carrier;
  readonly fromBatch: boolean;
  readonly shared: boolean;
  readonly stock: Stock | null;
  /** Powder as the maker measures it, for all uses together. */
  readonly measured: Measured;
  /** Liquid for the measured powder, g, so that the ratio on the bench is the planned one. */
  readonly liquid: number;
  readonly uses: readonly DispersionUse[];
  readonly way: DispersionWay | null;
}

/** Powder in one drop, g. */
const inDrop = (stock: Stock): number => (stock.powderPercent / 100) * stock.gramsPerDrop;

/**
 * All dispersions of a plan. A material that is to be shared, or comes from a bottle, is one for all the pots that
 * use it in the same carrier; anything else has a cup for each pot.
 */
export function dispersions(plan: Plan, measuring: Measuring): Dispersion[] {
  const made = new Map<string, { pot: Pot; group: string | null; dose: DoseFlow }[]>();
  const together = new Set(plan.work.dispersions.map((d) => d.materialId));
  for (const { pot, group, doses } of flowOf(plan).pots) {
    for (const dose of doses) {
      const { carrier } = dose.row;
      if (!carrier || !isWeighedCarrier(carrier.medium) || !(dose.powder > 0)) continue;
      const material = materialOf(plan, dose.row.materialId);
      const shared = together.has(material.id);
      const key = shared
        ? // What comes out of a batch comes out of one of them.
          `${material.id} ${carrier.medium} ${carrier.ratio} ${dose.fromBatch ? `of ${group}` : 'beside'}`
        : `${pot.id} ${dose.row.id}`;
      made.set(key, [...(made.get(key) ?? []), { pot, group, dose }]);
    }
  }
  return [...made.values()].map((group) => {
    const { row, fromBatch, stock } = group[0]!.dose;
    const material = materialOf(plan, row.materialId);
    const carrier = row.carrier!;
    const wanted = group.reduce((sum, { dose }) => sum + dose.powder, 0);
    const uses = group.map(({ pot, dose }): DispersionUse => {
      const use = { pot, rowId: dose.row.id, wanted: dose.powder };
      if (!stock) return { ...use, powder: dose.powder, mass: 0, drops: null };
      const drops = Math.round(dose.powder / inDrop(stock));
      return { ...use, powder: drops * inDrop(stock), mass: drops * stock.gramsPerDrop, drops };
    });
    const drawn = uses.reduce((sum, u) => sum + u.powder, 0);
    const measured: Measured = stock
      ? {
          mass: grams(drawn),
          spoonSum: null,
          relativeError: drawn / wanted - 1,
          tooSmall: uses.some((u) => u.drops === 0),
        }
      : measure(grams(wanted), material.bulkDensity, measuring);
    const liquid = stock ? 0 : carrierMass(measured.mass, carrier);
    const body = (carrier.medium === 'infusion' ? 0 : measured.mass) + liquid;
    return {
      material,
      carrier,
      fromBatch,
      shared: together.has(material.id),
      stock,
      measured,
      liquid,
      // What is made up is shared out as the doses are.
      uses: stock
        ? uses
        : uses.map((u) => ({
            ...u,
            powder: (measured.mass * u.wanted) / wanted,
            mass: (body * u.wanted) / wanted,
          })),
      way: dispersionWay(material, carrier.medium),
    };
  });
}

/** Liquid oil for carriers: what is needed from the recipe and beside it, and what the recipe has of it, g. */
export function carrierOilBalance(plan: Plan): {
  readonly material: Material | null;
  readonly fromBatch: number;
  readonly extra: number;
  /** Of that oil in the recipe; null when the chosen oil is not in it. */
  readonly inRecipe: number | null;
} {
  const flow = flowOf(plan);
  const id = plan.work.carrierOil ?? flow.carrierOil;
  const there = flow.lyes.flatMap((l) => l.rows).filter((o) => o.materialId === id);
  const fromBatch = flow.lyes.reduce((sum, l) => sum + l.heldOil, 0);
  return {
    material: id === null ? null : materialOf(plan, id),
    fromBatch,
    extra: flow.pots.reduce(
      (sum, p) =>
        sum +
        p.doses.reduce((s, d) => {
          const oily = d.row.carrier?.medium === 'oil' || d.row.carrier?.medium === 'infusion';
          return oily && !d.fromBatch && !d.stock ? s + d.liquid : s;
        }, 0),
      0,
    ),
    inRecipe: there.length > 0 ? there.reduce((sum, o) => sum + o.mass, 0) : null,
  };
}
