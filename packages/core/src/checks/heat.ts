import { concentrationOf, lyeRate } from '../balance/lye.ts';
import { setBase, setWork } from '../plan/edit/index.ts';
import { mistBeforeHeat, withFinish } from '../work/finish.ts';
import { isMilk, milkShare } from '../plan/liquid.ts';
import { type PotFlow } from '../balance/flow.ts';
import { materialWater } from '../balance/water.ts';
import { materialOf } from '../plan/plan.ts';
import { type Check, type PlanFacts } from './check.ts';
import { ASH_BELOW, FALSE_TRACE } from './thresholds.ts';

/** Alcohol on the soap and then a warm oven. */
export function checkMistBeforeHeat({ plan }: PlanFacts): Check[] {
  const { finish } = plan.work;
  if (!mistBeforeHeat(plan)) return [];
  return [
    {
      id: 'mist-before-heat',
      level: 'stop',
      place: { at: 'work' },
      sentence: 'Alcohol mist before a warm oven can catch fire.',
      arithmetic: `now: ${finish.join(', then ')}; the vapour lights from about 12 °C up`,
      remedy: 'Heat first and mist later, with the elements cold.',
      repairs: [
        {
          label: 'Heat first, mist after',
          apply: (p) => setWork(p, { finish: [...p.work.finish.filter((f) => f !== 'mist'), 'mist'] }),
        },
      ],
    },
  ];
}

/** Taller than this, an insulated mould holds its heat. mm. */
const TALL = 80;

/** Sugars, milk or honey where the heat is forced or cannot leave. */
export function checkHeatRisk(facts: PlanFacts): Check[] {
  const { plan } = facts;
  const sweet = [
    ...facts.used.filter((m) => m.cautions.includes('heat')).map((m) => m.name),
    ...plan.base.liquid.parts
      .filter((p) => isMilk(p.kind) || p.kind === 'puree' || p.kind === 'beer')
      .map((p) => p.name),
  ];
  const warm = plan.work.finish.some((f) => f === 'oven' || f === 'insulate');
  const tall = plan.moulding.moulds.some(
    ({ mould }) => (mould.shape === 'cylinder' ? mould.diameter : mould.height) >= TALL,
  );
  const why =
    plan.work.heat === 'force'
      ? 'gel is forced'
      : plan.work.finish.includes('oven')
        ? 'the oven is warm'
        : warm && tall
          ? 'the mould is tall and kept warm'
          : null;
  if (sweet.length === 0 || why === null) return [];
  return [
    {
      id: 'heat-risk',
      level: 'warn',
      place: { at: 'work' },
      sentence: `${sweet.join(', ')} heat the soap, and ${why}: it may crack or rise out of the mould.`,
      arithmetic: '',
      remedy: 'Let it be or keep it cool, and do not leave it unwatched.',
      repairs: [
        {
          label: 'Let it be',
          apply: (p) =>
            setWork(p, {
              heat: 'let',
              finish: p.work.finish.filter((f) => f !== 'oven' && f !== 'insulate'),
            }),
        },
      ],
    },
  ];
}

/** What melts, in an oven. */
export function checkMelts({ plan, used, print }: PlanFacts): Check[] {
  const melting = used.filter((m) => m.cautions.includes('melts'));
  if (melting.length === 0 || !plan.work.finish.includes('oven')) return [];
  return [
    {
      id: 'heat-risk',
      level: 'warn',
      place: { at: 'work' },
      sentence: `${melting.map((m) => m.name).join(', ')} melts in the oven and leaves spots of oil.`,
      arithmetic: `it melts near 70 °C; the oven has ${print.temperature(plan.work.ovenTemperature)}`,
      remedy: 'Leave the oven out, or choose a scrub that bears heat.',
      repairs: [
        {
          label: 'Leave the oven out',
          apply: (p) => setWork(p, { finish: p.work.finish.filter((f) => f !== 'oven') }),
        },
      ],
    },
  ];
}

/** Lye below which rivers show in a gelled bar, %: with titanium dioxide from this dose on (g/kg), and without. */
export const RIVERS = { below: 30, dose: 4, bareBelow: 28, milk: 1, likely: 0.5 } as const;

/** Warns of glycerin rivers: titanium dioxide, much water and a gel that is at least half likely. */
export function checkRivers(facts: PlanFacts): Check[] {
  const { plan, gel, print } = facts;
  const { naoh, koh, liquid } = lyeRate(plan);
  const recipe = concentrationOf(naoh + koh, liquid);
  if (gel.likelihood < RIVERS.likely - 1e-9 || recipe === 0) return [];
  // Milk lowers the bar: what is enough lye with water is not with milk.
  const milk = milkShare(plan) > 0 ? RIVERS.milk : 0;
  const wet = new Map(facts.flow.pots.map((p) => [p.pot.id, concentrationIn(facts, p)]));
  const white = plan.pots.filter(
    (p) =>
      facts.held
        .get(p.id)!
        .some((h) => h.material.cautions.includes('rivers') && h.dose >= RIVERS.dose - 1e-9) &&
      (wet.get(p.id) ?? recipe) < RIVERS.below + milk - 1e-9,
  );
  const withWhite = white.length > 0;
  const concentration = withWhite ? (wet.get(white[0]!.id) ?? recipe) : recipe;
  const forced = gel.decided && gel.gel === 1;
  if (!withWhite && !(forced && concentration < RIVERS.bareBelow + milk - 1e-9)) return [];
  const below = withWhite ? RIVERS.below + milk : RIVERS.bareBelow + milk;
  return [
    {
      id: 'rivers',
      level: 'warn',
      place: withWhite ? { at: 'pot', potId: white[0]!.id } : { at: 'lye' },
      sentence: withWhite
        ? `Titanium dioxide with this much water and gel gives glycerin rivers in ${white.map((p) => p.name).join(', ')}.`
        : 'This much water with forced gel gives glycerin rivers.',
      arithmetic: `lye concentration ${print.number(concentration, 1)} %, below ${print.number(below, 0)} %; gel ${print.percent(gel.likelihood * 100, 0)} likely`,
      remedy: 'Use less water, or prevent gel.',
      repairs: [
        {
          label: 'Prevent gel',
          apply: (p) =>
            setWork(p, {
              heat: 'prevent',
              finish: p.work.finish.filter((f) => f !== 'oven' && f !== 'insulate'),
            }),
        },
      ],
    },
  ];
}

/** Lye in all the water that a pot holds, %: its carriers' too. */
function concentrationIn({ plan, flow }: PlanFacts, { contents }: PotFlow): number {
  const { ledger } = flow;
  const at = (what: Parameters<typeof ledger.at>[0]): number => contents[ledger.at(what)]!;
  const wet = materialWater(plan, ledger, (column) => contents[column]!);
  return concentrationOf(at('naoh') + at('koh'), at('liquid') + at('carrier-water') + wet);
}

/** Soda ash is likely: much water, little gel, uncovered, no mist. */
export function checkAsh({ plan, gel, print }: PlanFacts): Check[] {
  const { naoh, koh, liquid } = lyeRate(plan);
  const concentration = concentrationOf(naoh + koh, liquid);
  const { finish } = plan.work;
  if (concentration === 0 || concentration >= ASH_BELOW - 1e-9 || gel.likelihood >= 0.5) return [];
  if (finish.includes('mist') || finish.includes('insulate')) return [];
  return [
    {
      id: 'ash-likely',
      level: 'tip',
      place: { at: 'work' },
      sentence: 'Soda ash is likely on the top.',
      arithmetic: `lye ${print.number(concentration, 1)} %, under ${ASH_BELOW} %, no cover, no mist, gel ${print.percent(gel.likelihood * 100, 0)} likely`,
      remedy: 'Mist it with alcohol, cover it, or use less water.',
      repairs: [
        {
          label: 'Mist with alcohol',
          apply: (p) => setWork(p, { finish: withFinish(p.work.finish, 'mist') }),
        },
      ],
    },
  ];
}

/** Cold hard fats thicken without any soap: a trace that is none. */
export function checkFalseTrace({ plan, print }: PlanFacts): Check[] {
  const { oils, temperature } = plan.base;
  const hard = oils.reduce((sum, o) => {
    const saturated = materialOf(plan, o.materialId).oil?.saturated ?? 0;
    return saturated >= FALSE_TRACE.saturated ? sum + o.percent : sum;
  }, 0);
  if (hard <= FALSE_TRACE.hard + 1e-9 || temperature >= FALSE_TRACE.below - 1e-9) return [];
  return [
    {
      id: 'false-trace',
      level: 'tip',
      place: { at: 'lye' },
      sentence: 'Hard fats this cool may set before they saponify: what looks like trace may be none.',
      arithmetic: `${print.percent(hard, 0)} of hard fats, more than ${FALSE_TRACE.hard} %, at ${print.temperature(temperature)}, below ${print.temperature(FALSE_TRACE.below)}`,
      remedy: 'Work a little warmer, and look for grain before dividing.',
      repairs: [
        {
          label: `Set ${FALSE_TRACE.below} °C`,
          apply: (p) => setBase(p, { temperature: FALSE_TRACE.below }),
        },
      ],
    },
  ];
}
