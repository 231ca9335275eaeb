import { deltaE00 } from '../../colour/deltaE00.ts';
import { type MaterialKind } from '../../material/material.ts';
import { predictLab } from '../../pigment/mixer.ts';
import { fresh } from '../../pigment/stage.ts';
import { printNumber } from '../../units/print.ts';
import { potComposition } from '../composition.ts';
import { type Check, type PlanFacts } from './check.ts';

/** Shares must add up to something; a pot of no share holds nothing. */
export function checkShares({ plan }: PlanFacts): Check[] {
  if (plan.pots.length === 0) return [];
  const sum = plan.pots.reduce((total, p) => total + p.parts, 0);
  if (sum === 0) {
    return [
      {
        id: 'pots-unbalanced',
        level: 'warn',
        place: { at: 'pots' },
        sentence: 'The shares add up to zero, so no pot holds any batter.',
        arithmetic: plan.pots.map(() => '0').join(' + '),
        remedy: 'Give at least one pot a share.',
      },
    ];
  }
  return plan.pots
    .filter((p) => p.parts === 0)
    .map((p) => ({
      id: 'pots-unbalanced',
      level: 'warn',
      place: { at: 'pot', potId: p.id },
      sentence: `${p.name} has no share of the batter.`,
      arithmetic: `0 of ${printNumber(sum, 2)} parts`,
      remedy: 'Give it a share or remove it.',
    }));
}

/** Powders that thicken and weaken a bar, as g/kg oils. */
export const SOLIDS_WARN = 40;
const SOLID_KINDS: readonly MaterialKind[] = ['pigment', 'mica', 'fluorescent', 'dye', 'clay', 'botanical'];

export const checkTotalSolids = ({ prep }: PlanFacts): Check[] =>
  prep.pots.flatMap(({ pot, rows }): Check[] => {
    const solid = rows.filter((r) => SOLID_KINDS.includes(r.material.kind) && r.material.bulkDensity !== 1);
    const sum = solid.reduce((total, r) => total + r.row.dose, 0);
    if (sum <= SOLIDS_WARN) return [];
    return [
      {
        id: 'total-solids',
        level: 'warn',
        place: { at: 'pot', potId: pot.id },
        sentence: `${pot.name} carries much powder: it will thicken and may crumble.`,
        arithmetic: `${printNumber(sum, 1)} g/kg of colour and clay, more than ${SOLIDS_WARN} g/kg (4 % of oils)`,
        remedy: 'Use less, or a stronger colourant.',
      },
    ];
  });

/** Oil and glycerin carriers above this share of a pot's oils soften it. */
export const CARRIER_WARN = 0.05;

export const checkCarrierHeavy = ({ prep }: PlanFacts): Check[] =>
  prep.pots.flatMap(({ pot, oils, rows }): Check[] => {
    const wet = rows.filter((r) => ['oil', 'glycerin', 'infusion'].includes(r.carrier?.medium ?? ''));
    const sum = wet.reduce((total, r) => total + r.carrierMass, 0);
    if (!(oils > 0) || sum / oils <= CARRIER_WARN) return [];
    return [
      {
        id: 'carrier-heavy',
        level: 'warn',
        place: { at: 'pot', potId: pot.id },
        sentence: `Carriers add a lot of liquid to ${pot.name}.`,
        arithmetic: `${printNumber(sum, 1)} g in ${printNumber(oils, 0)} g oils = ${printNumber((100 * sum) / oils, 1)} %, more than 5 %`,
        remedy: 'Lower the ratio, or disperse in water where the powder allows it.',
      },
    ];
  });

/** A fresh pot further than this from its settled curves misleads the eye. */
export const FRESH_MISLEADS = 8;

/** Compares fresh batter with what it would look like if every colourant had settled at once. */
export const checkFreshMisleads = ({ plan }: PlanFacts): Check[] =>
  plan.pots.flatMap((pot): Check[] => {
    const { canvas, parts } = potComposition(plan, pot);
    const settled = parts.map((p) => ({
      ...p,
      optics: { ...p.optics, fresh: null, k: p.optics.becomes?.k ?? p.optics.k, becomes: null },
    }));
    const off = deltaE00(predictLab(canvas, parts, fresh()), predictLab(canvas, settled, fresh()));
    if (off <= FRESH_MISLEADS) return [];
    return [
      {
        id: 'fresh-misleads',
        level: 'tip',
        place: { at: 'pot', potId: pot.id },
        sentence: `${pot.name} misleads while fresh: do not correct what you see in the pot.`,
        arithmetic: `ΔE00 ${printNumber(off, 1)} beyond the paling of fresh batter`,
        remedy: 'Trust the cured colour; it comes by tomorrow.',
      },
    ];
  });
