import { grams } from '../units/quantity.ts';
import { setBase, setCarrierSource, setDraw, setPot } from '../plan/edit/index.ts';
import { type Fill, fillOf, solveOils } from '../balance/fill.ts';
import { onePart, type Plan, type Pot, type ShareWay } from '../plan/plan.ts';
import { type Check, type PlanFacts, type Repair } from './check.ts';

/** Pots that draw from one another, however many others lie between. */
export function checkPotCycle({ plan, flow }: PlanFacts): Check[] {
  if (flow.cyclic.size === 0) return [];
  const names = plan.pots.filter((p) => flow.cyclic.has(p.id)).map((p) => p.name);
  return [
    {
      id: 'pot-cycle',
      level: 'stop',
      place: { at: 'pots' },
      sentence: `${names.join(', ')} ${names.length > 1 ? 'draw from one another' : 'draws from itself'}, so none of them can be filled first.`,
      arithmetic: names.concat(names[0]!).join(' → '),
      remedy: 'Let one of them draw from the base batter.',
      repairs: plan.pots
        .filter((p) => flow.cyclic.has(p.id))
        .map((p) => ({
          label: `Draw ${p.name} from the base batter`,
          apply: (q) => setPot(q, p.id, { draws: [onePart()] }),
        })),
    },
  ];
}

/** Amounts that decide one another and never come to rest: no figure of such a plan can be relied on. */
export function checkConvergence({ plan, flow, print }: PlanFacts): Check[] {
  const { converged, passes, residual } = flow.convergence;
  if (converged) return [];
  return [
    {
      id: 'masses-unsettled',
      level: 'stop',
      place: { at: 'pots' },
      sentence: 'The amounts of the pots depend on one another in a way that has no solution.',
      arithmetic: `after ${passes} passes ${print.mass(residual * plan.base.totalOils)} still move from one to the next`,
      remedy: 'Take less carrier out of the batch, or say the shares in parts instead of grams.',
      repairs: [{ label: 'Carriers beside the recipe', apply: (p) => setCarrierSource(p, 'extra') }],
    },
  ];
}

const FIXED: readonly ShareWay[] = ['percent', 'grams', 'millilitres'];

/** Every fixed share of the base batter, scaled. */
const scaled = (plan: Plan, factor: number): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => ({
    ...p,
    draws: p.draws.map((d) =>
      d.from === null && FIXED.includes(d.by) ? { ...d, value: Number((d.value * factor).toFixed(2)) } : d,
    ),
  })),
});

/** Shares over or short by more than the losses allow, pots of nothing, and pots that are drawn dry. */
export function checkShares(facts: PlanFacts): Check[] {
  const { plan, flow, print } = facts;
  if (plan.pots.length === 0) return [];
  const holds = flow.pots.some((p) => p.mass > 0);
  if (!holds) {
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
  const empty = flow.pots
    .filter((p) => !(p.mass > 0) && !flow.cyclic.has(p.pot.id))
    .map(({ pot }): Check => ({
      id: 'pots-unbalanced',
      level: 'warn',
      place: { at: 'pot', potId: pot.id },
      sentence: `${pot.name} has no share of the batter.`,
      arithmetic: pot.draws.length === 0 ? 'it draws from nothing' : 'its share comes to 0 g',
      remedy: 'Give it a share or remove it.',
      repairs: [{ label: 'Give it one part', apply: (p) => setPot(p, pot.id, { draws: [onePart()] }) }],
    }));
  const dry = flow.pots
    .filter((p) => p.drawnOff > 1 + 1e-9)
    .map((p): Check => {
      const takers = plan.pots.filter((q) => q.draws.some((d) => d.from === p.pot.id));
      return {
        id: 'pots-unbalanced',
        level: 'warn',
        place: { at: 'pot', potId: p.pot.id },
        sentence: `More is drawn from ${p.pot.name} than it holds.`,
        arithmetic: `${print.mass(p.drawnOff * p.mass)} drawn, ${print.mass(p.mass)} in it`,
        remedy: `Draw less into ${takers.map((t) => t.name).join(', ')}, or give it a larger share.`,
        repairs: [
          {
            label: 'Scale what is drawn to fit',
            apply: (plan_) =>
              takers.reduce(
                (q, t) =>
                  t.draws
                    .filter((d) => d.from === p.pot.id)
                    .reduce(
                      (r, d) => setDraw(r, t.id, d.id, { value: Number((d.value / p.drawnOff).toFixed(2)) }),
                      q,
                    ),
                plan_,
              ),
          },
        ],
      };
    });
  return [...baseShares(facts), ...empty, ...dry];
}

function baseShares({ plan, flow, print }: PlanFacts): Check[] {
  const allowed = flow.pots.reduce((sum, p) => sum + p.loss, 0);
  // Like with like: plain batter that is left, or that the draws want beyond what there is.
  const drawn = flow.pots
    .flatMap((p) => p.draws)
    .reduce((sum, d) => (d.draw.from === null ? sum + d.mass : sum), 0);
  const off =
    flow.unallocated >= 0 ? -flow.leftoverMass : (drawn * -flow.unallocated) / (1 - flow.unallocated);
  if (Math.abs(off) <= allowed) return [];
  const over = off > 0;
  const draws = flow.pots.flatMap((p) =>
    p.draws.filter((d) => d.draw.from === null).map((d) => ({ pot: p.pot, ...d })),
  );
  const fixed = draws.filter((d) => FIXED.includes(d.draw.by));
  const fixedSum = fixed.reduce((sum, d) => sum + d.fraction, 0);
  const factor = fixedSum > 0 ? (fixedSum + flow.unallocated) / fixedSum : 0;
  const largest = [...fixed].sort((a, b) => b.fraction - a.fraction)[0];
  const repairs: Repair[] = [];
  if (factor > 0) repairs.push({ label: 'Scale all to fit', apply: (p) => scaled(p, factor) });
  if (largest && (!over || largest.fraction > -flow.unallocated)) {
    repairs.push({
      label: over ? `Take it from ${largest.pot.name}` : `Put it into ${largest.pot.name}`,
      apply: (p) =>
        setDraw(p, largest.pot.id, largest.draw.id, {
          value: Number((largest.draw.value * (1 + flow.unallocated / largest.fraction)).toFixed(2)),
        }),
    });
  }
  const only = draws[0];
  if (!over && !largest && only) repairs.push(restInto(only.pot));
  const total = plan.base.totalOils * (1 - flow.unallocated);
  // Shares in % stay over however large the batch is.
  if (!fixed.some((d) => d.draw.by === 'percent'))
    repairs.push({
      label: over
        ? `Bigger batch: ${print.mass(total, true)} oils`
        : `Smaller batch: ${print.mass(total, true)} oils`,
      apply: (p) => setBase(p, { totalOils: grams(Math.round(total * 10) / 10) }),
    });
  return [
    {
      id: 'pots-unbalanced',
      level: 'warn',
      place: { at: 'pots' },
      sentence: over
        ? `The pots want ${print.mass(off)} more batter than there is.`
        : `${print.mass(-off)} of batter goes to no pot.`,
      arithmetic: `${draws.map((d) => print.mass(d.mass)).join(' + ')} against ${print.mass(draws.reduce((s, d) => s + d.mass, 0) - off)}; ${print.mass(allowed)} of it may stick to the jugs`,
      remedy: over
        ? 'Scale the shares, take it from one pot, or make more.'
        : 'Scale the shares, give it to a pot, or make less.',
      repairs,
    },
  ];
}

const restInto = (pot: Pot): Repair => ({
  label: `The rest into ${pot.name}`,
  apply: (p) => setPot(p, pot.id, { draws: [{ ...onePart(), by: 'rest' }] }),
});

/** How far the fill may miss the mould. */
export const FILL_TOLERANCE = 0.03;

/** Batter against moulds, reserve and dividers. */
export function checkFill({ plan, fill, print }: PlanFacts): Check[] {
  if (fill.ratio === null || Math.abs(fill.ratio - 1) <= FILL_TOLERANCE + 1e-9) return [];
  const over = fill.ratio > 1;
  const oils = oilsToFill(plan, fill);
  const off = Math.abs(fill.have - fill.wanted);
  return [
    {
      id: over ? 'mould-overfull' : 'mould-underfull',
      level: 'warn',
      place: { at: 'mould' },
      sentence: over
        ? `The batter overfills the mould by ${print.percent((fill.ratio - 1) * 100)}.`
        : `The batter leaves the mould ${print.percent((1 - fill.ratio) * 100)} short.`,
      arithmetic: `${print.volume(fill.have)} goes in (batter less ${print.mass(fill.top)} for the top and ${print.mass(fill.losses)} in jugs${fill.embeds > 0 ? `, with ${print.volume(fill.embeds)} of embeds` : ''}), ${print.volume(fill.wanted)} of room: ${print.volume(off)} ${over ? 'too much' : 'short'}`,
      remedy:
        oils === null
          ? 'Change the moulds, or what takes their room.'
          : `About ${print.mass(oils, true)} of oils fill it.`,
      repairs: oils === null ? [] : [{ label: 'Set the oils that fill it', apply: fitOils }],
    },
  ];
}

/** Batter goes with the oils, nearly; the repair works them out to the gram. */
function oilsToFill(plan: Plan, fill: Fill): number | null {
  const batter = fill.batter + (fill.wanted - fill.have) * fill.density;
  return fill.batter > 0 && batter > 0 ? (plan.base.totalOils * batter) / fill.batter : null;
}

const fitOils = (plan: Plan): Plan => {
  const oils = solveOils(plan, { from: 'mould' });
  return oils === null || fillOf(plan).wanted === 0 ? plan : setBase(plan, { totalOils: grams(oils) });
};
