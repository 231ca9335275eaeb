import { type DoseFlow, type PotFlow } from '../balance/flow.ts';
import { solidsOf } from '../balance/solids.ts';
import { carrierOilBalance } from '../work/dispersion.ts';
import { MOST_CARRIER, MOST_SOLIDS } from '../material/limits.ts';
import { setCarrierSource } from '../plan/edit/index.ts';
import { materialOf } from '../plan/plan.ts';
import { type Check, type PlanFacts, type Repair } from './check.ts';

/** Warns of more than 40 g of colour and clay per kg oils in a pot. */
export const checkTotalSolids = (facts: PlanFacts): Check[] =>
  facts.flow.pots.flatMap((p): Check[] => {
    const sum = solidsOf(facts.plan, facts.flow, p);
    if (sum <= MOST_SOLIDS + 1e-9) return [];
    return [
      {
        id: 'total-solids',
        level: 'warn',
        place: { at: 'pot', potId: p.pot.id },
        sentence: `${p.pot.name} carries much powder: it will thicken and may crumble.`,
        arithmetic: `${facts.print.number(sum, 1)} g/kg of colour and clay, more than ${MOST_SOLIDS} g/kg (4 % of oils)`,
        remedy: 'Use less, or a stronger colourant.',
      },
    ];
  });

/**
 * Warns of carriers beside the recipe, and of batch oil that comes back unequally, above 5 % of a pot's oils; and of a
 * carrier oil that the recipe lacks. Oil taken from the batch for every pot alike is the recipe itself.
 */
export const checkCarrierHeavy = (facts: PlanFacts): Check[] => [
  ...facts.flow.pots.flatMap((p): Check[] => {
    const { pot, oils } = p;
    const { extra, unequal } = carrierBeside(facts, p);
    const sum = extra + unequal;
    if (!(oils > 0) || (sum * 1000) / oils <= MOST_CARRIER + 1e-6) return [];
    const { print } = facts;
    return [
      {
        id: 'carrier-heavy',
        level: 'warn',
        place: { at: 'pot', potId: pot.id },
        sentence: `Carriers add a lot of liquid to ${pot.name}.`,
        arithmetic: `${print.mass(extra)} beside the recipe${unequal > 0.05 ? ` and ${print.mass(unequal)} more of the batch oils than its share` : ''} in ${print.mass(oils, true)} oils = ${print.number((100 * sum) / oils, 1)} %, more than 5 %`,
        remedy: 'Lower the ratio, or disperse in water where the powder allows it.',
      },
    ];
  }),
  ...carrierOilAbsent(facts),
];

/** Oil and glycerin that a pot carries beyond the recipe: bought beside it, and batch oil beyond the pot's share of it, g. */
function carrierBeside(
  { flow }: PlanFacts,
  p: PotFlow,
): { readonly extra: number; readonly unequal: number } {
  const oily = (d: DoseFlow): boolean =>
    d.row.carrier?.medium === 'oil' || d.row.carrier?.medium === 'infusion';
  const sum = (of: (d: DoseFlow) => boolean): number =>
    p.doses.reduce((total, d) => (of(d) ? total + d.liquid : total), 0);
  const lye = flow.lyes.find((l) => l.potId === p.group);
  const back = sum((d) => oily(d) && d.fromBatch) + (p.evenedFromBatch ? p.evenedOil : 0);
  const share = lye && lye.oils > 0 ? (lye.heldOil * p.oils) / lye.oils : 0;
  return {
    extra:
      sum((d) => (oily(d) && !d.fromBatch) || d.row.carrier?.medium === 'glycerin') +
      (p.evenedFromBatch ? 0 : p.evenedOil),
    unequal: Math.max(0, back - share),
  };
}

/** A carrier oil that the recipe lacks cannot be taken from the batch. */
function carrierOilAbsent({ plan }: PlanFacts): Check[] {
  const { material, inRecipe } = carrierOilBalance(plan);
  const wanted = plan.pots.some((p) =>
    p.doses.some(
      (d) => d.source === 'batch' && (d.carrier?.medium === 'oil' || d.carrier?.medium === 'infusion'),
    ),
  );
  if (!wanted || inRecipe !== null) return [];
  const name = material?.name ?? 'A light oil';
  return [
    {
      id: 'carrier-heavy',
      level: 'warn',
      place: { at: 'pots' },
      sentence: `${name} is not in the recipe, so no carrier can be taken from the batch oils: it is counted as extra.`,
      arithmetic: '',
      remedy: 'Choose an oil of the recipe, or use extra oil.',
      repairs: [extraForAll],
    },
  ];
}

const extraForAll: Repair = {
  label: 'Extra oil for all carriers',
  apply: (p) => setCarrierSource(p, 'extra'),
};

/**
 * A stop for each lye whose oils hold less of an oil than is taken off for cups: what cannot be taken off stays where it
 * is, and both batter and cups come out other than planned.
 */
export const checkCarrierOilShort = ({ plan, flow, print }: PlanFacts): Check[] =>
  flow.lyes.flatMap((lye): Check[] => {
    const { potId, carrierOil, heldOil } = lye;
    if (carrierOil === null) return [];
    const there = lye.rows.find((r) => r.materialId === carrierOil)?.mass ?? 0;
    if (heldOil <= there + SAME_MASS) return [];
    const pot = plan.pots.find((p) => p.id === potId);
    const { name } = materialOf(plan, carrierOil);
    return [
      {
        id: 'carrier-oil-short',
        level: 'stop',
        place: pot ? { at: 'pot', potId: pot.id } : { at: 'pots' },
        sentence: pot
          ? `The cups of ${pot.name} take more ${name} than its own oils hold.`
          : `The cups take more ${name} than the recipe holds.`,
        arithmetic: `${print.mass(heldOil)} for cups, ${print.mass(there)} in the oils`,
        remedy: 'Use extra oil for the cups, or a blend with more of this oil.',
        repairs: [extraForAll],
      },
    ];
  });

/** Masses nearer than this are the same, g. */
const SAME_MASS = 1e-6;

/** A fresh pot further than this from its settled curves misleads the eye. */
export const FRESH_MISLEADS = 8;

/** Compares fresh batter with what it would look like if every colourant had settled at once. */
export const checkFreshMisleads = ({ plan, looks, print }: PlanFacts): Check[] =>
  plan.pots.flatMap((pot): Check[] => {
    const off = looks.get(pot.id)!.freshOff();
    if (off <= FRESH_MISLEADS) return [];
    return [
      {
        id: 'fresh-misleads',
        level: 'tip',
        place: { at: 'pot', potId: pot.id },
        sentence: `${pot.name} misleads while fresh: do not correct what you see in the pot.`,
        arithmetic: `ΔE00 ${print.number(off, 1)} beyond the paling of fresh batter`,
        remedy: 'Trust the cured colour; it comes by tomorrow.',
      },
    ];
  });
