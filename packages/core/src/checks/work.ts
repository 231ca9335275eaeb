import { techniqueById } from '../palette/technique.ts';
import { concentrationOf, lyeRate } from '../balance/lye.ts';
import { setBase, setPot, setWork } from '../plan/edit/index.ts';
import { dividedMould } from '../balance/mould.ts';
import { sectionOf } from '../work/touching.ts';
import { BOND_HOURS, bondedPots, mistBeforeHeat, withFinish } from '../work/finish.ts';
import { consistencyWanted } from '../work/handwork.ts';
import { isMilk, milkShare } from '../plan/liquid.ts';
import { materialOf, type Plan, type Pot } from '../plan/plan.ts';
import { lotAtHand } from '../material/lot.ts';
import { type PotStep } from '../work/timeline.ts';
import { type Check, type PlanFacts } from './check.ts';

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

/** Lye below which rivers show in a gelled bar, %: with titanium dioxide from this dose on (g/kg), and without. */
export const RIVERS = { below: 30, dose: 4, bareBelow: 28, milk: 1, likely: 0.5 } as const;

/** Warns of glycerin rivers: titanium dioxide, much water and a gel that is at least half likely. */
export function checkRivers(facts: PlanFacts): Check[] {
  const { plan, gel, print } = facts;
  const { naoh, koh, liquid } = lyeRate(plan);
  const concentration = concentrationOf(naoh + koh, liquid);
  if (gel.likelihood < RIVERS.likely - 1e-9 || concentration === 0) return [];
  // Milk lowers the bar: what is enough lye with water is not with milk.
  const milk = milkShare(plan) > 0 ? RIVERS.milk : 0;
  const white = plan.pots.filter((p) =>
    facts.held.get(p.id)!.some((h) => h.material.cautions.includes('rivers') && h.dose >= RIVERS.dose - 1e-9),
  );
  const withWhite = white.length > 0 && concentration < RIVERS.below + milk - 1e-9;
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

/** Lye under this, without gel, cover or mist, lets ash form. % */
export const ASH_BELOW = 30;

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

/** Hard fats above this share that are cooler than this look like trace when they only set. %, °C */
export const FALSE_TRACE = { hard: 40, below: 32, saturated: 40 } as const;

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

/** Pots of one batter that are poured so far apart that the batter does not wait. */
export function checkTimeApart({ plan, steps, print }: PlanFacts): Check[] {
  const shared = plan.pots.filter((p) => !p.ownLye && p.place !== 'spare');
  const first = Math.max(0, ...shared.map((p) => p.hoursBefore));
  const late = shared.filter((p) => {
    const pace = steps.find((s) => s.pot.id === p.id)?.pace;
    return pace !== undefined && (first - p.hoursBefore) * 60 > pace.stiff;
  });
  if (late.length === 0) return [];
  const pace = steps.find((s) => s.pot.id === late[0]!.id)!.pace;
  const names = late.map((p) => p.name).join(', ');
  return [
    {
      id: 'time-apart',
      level: 'warn',
      place: { at: 'pot', potId: late[0]!.id },
      sentence: `${names} would have set in the bowl: the same batter was poured ${print.number(first - late[0]!.hoursBefore, 1)} h before.`,
      arithmetic: `about ${print.number(pace.stiff, 0)} min from emulsion to stiff; held unscented, cool and stirred it waits about ${print.number(pace.light, 0)} min to light trace`,
      remedy:
        'Make the later one a mini-batch with its own lye; or hold it cool and unscented, but only for those minutes.',
      repairs: late
        .filter((p) => p.draws.every((d) => d.from === null))
        .map((p) => ({
          label: `Make ${p.name} a mini-batch`,
          apply: (q: Plan) => setPot(q, p.id, { ownLye: true }),
        })),
    },
  ];
}

/** Two pots in one section of the mould, and a section without a pot. */
export function checkSections({ plan }: PlanFacts): Check[] {
  const mould = dividedMould(plan.moulding)?.mould;
  if (!mould) return [];
  const by = new Map<number, Pot[]>();
  for (const p of plan.pots) {
    const section = sectionOf(p);
    if (section !== null) by.set(section, [...(by.get(section) ?? []), p]);
  }
  if (by.size === 0) return [];
  const shared = [...by].filter(([, pots]) => pots.length > 1);
  const empty = mould.sections.flatMap((_, i) => (by.has(i + 1) ? [] : [i + 1]));
  const beyond = [...by].filter(([n]) => n > mould.sections.length);
  return [
    ...shared.map(([n, pots]): Check => ({
      id: 'section-shared',
      level: 'warn',
      place: { at: 'pot', potId: pots[1]!.id },
      sentence: `${pots.map((p) => p.name).join(' and ')} are both poured into section ${n}.`,
      arithmetic: `each counts the whole of it`,
      remedy: 'Give one of them another section, or a layer.',
    })),
    ...(empty.length > 0
      ? [
          {
            id: 'section-empty',
            level: 'warn',
            place: { at: 'mould' },
            sentence: `Section ${empty.join(', ')} of ${mould.name} gets no pot.`,
            arithmetic: `${mould.sections.length} sections, pots in ${[...by.keys()].sort((a, b) => a - b).join(', ')}`,
            remedy: 'Pour a pot there, or leave it out of the mould.',
          } as const,
        ]
      : []),
    ...beyond.map(([n, pots]): Check => ({
      id: 'section-empty',
      level: 'warn',
      place: { at: 'pot', potId: pots[0]!.id },
      sentence: `${pots[0]!.name} is poured into section ${n}, which ${mould.name} does not have.`,
      arithmetic: `${mould.sections.length} sections`,
      remedy: 'Choose a section that is there.',
    })),
  ];
}

/** A scent that races against a technique that takes its time. */
export function checkScentSeizes({ plan, blend, print }: PlanFacts): Check[] {
  const technique = techniqueById(plan.idea.technique);
  const scented = plan.pots.filter((p) => p.scented && p.place !== 'top');
  if (!technique || !blend || scented.length === 0 || plan.work.fastWanted) return [];
  const wants = consistencyWanted(technique.id, scented[0]!);
  const harsh =
    blend.pace === 'seizes' ||
    (blend.pace === 'strong' && wants !== 'thick') ||
    (blend.pace === 'moderate' && (wants === 'fluid' || wants === 'light'));
  if (!harsh) return [];
  const factor = { moderate: 0.5, strong: 0.25, seizes: 0.1 }[blend.pace];
  return [
    {
      id: 'scent-seizes-technique',
      level: 'warn',
      place: { at: 'scent' },
      sentence: `This scent ${blend.pace === 'seizes' ? 'seizes' : 'speeds trace'}, and ${technique.name.toLowerCase()} wants ${String(wants)} batter.`,
      arithmetic: `about ${print.number(factor, 2)} of the usual working time`,
      remedy: plan.work.fallback
        ? 'Add it last and by hand; the fallback is agreed.'
        : 'Add it last and by hand, or into the oils before the lye, and agree on a fallback.',
      repairs:
        plan.work.fallback || technique.id === 'layers'
          ? []
          : [{ label: 'Fall back on layers', apply: (p) => setWork(p, { fallback: 'layers' }) }],
    },
  ];
}

/**
 * Pots that are too stiff, or still too thin, when their step comes. When that is every pot of several, it is the work
 * that is too long, and told once.
 */
export function checkPotPace(facts: PlanFacts): Check[] {
  const { steps, plan } = facts;
  const timed = steps.filter((s) => s.window !== null && !plan.pots.find((p) => p === s.pot)?.ownLye);
  const late = timed.filter((s) => s.verdict === 'sets-too-soon');
  const all = late.length > 1 && late.length === timed.length;
  // Only one can be first: the one that closes soonest.
  const first = [...late].sort((a, b) => a.window![1] - b.window![1])[0];
  const told = steps.filter((s) => s.verdict === 'too-thin' || (s.verdict === 'sets-too-soon' && !all));
  return [...(all ? [workTooLong(facts, late)] : []), ...told.map((s) => potPace(facts, s, s === first))];
}

/** The technique takes longer than any pot waits. */
function workTooLong({ plan, print }: PlanFacts, late: readonly PotStep[]): Check {
  const until = Math.max(...late.map((s) => s.workedUntil));
  const open = Math.max(...late.map((s) => s.window![1]));
  const { split, colour, scent, pour } = plan.work.minutes;
  const name = techniqueById(plan.idea.technique)?.name ?? 'The work';
  return {
    id: 'pot-sets-too-soon',
    level: 'warn',
    place: { at: 'work' },
    sentence: `${name} takes longer than any of these pots waits.`,
    arithmetic: `the work ends ${print.number(until, 0)} min from emulsion, the slowest pot is too stiff from ${print.number(open, 0)}; with ${print.number(split, 1)} min to split, ${print.number(colour, 1)} to colour, ${print.number(scent, 1)} to scent and ${print.number(pour, 1)} to pour each pot${mainFactor(late[0]!, print)}`,
    remedy:
      'Fewer pots, cups measured beforehand, a cooler or slower batter, or a simpler design; correct the minutes if you are quicker.',
  };
}

/** What changes the pace of a pot most, in words; empty for an ordinary one. */
function mainFactor({ pace }: PotStep, print: PlanFacts['print']): string {
  const size = (factor: number): number => Math.abs(Math.log(factor));
  const main = [...pace.factors].sort((a, b) => size(b.factor) - size(a.factor))[0];
  return main ? `; ${main.what} × ${print.number(main.factor, 2)}` : '';
}

function potPace({ print }: PlanFacts, step: PotStep, isFirst: boolean): Check {
  const { pot, verdict, window, pourAt, workedUntil, wants } = step;
  const soon = verdict === 'sets-too-soon';
  return {
    id: soon ? 'pot-sets-too-soon' : 'pot-sets-too-late',
    level: 'warn',
    place: { at: 'pot', potId: pot.id },
    sentence: soon
      ? `${pot.name} will be too stiff before the work on it is done.`
      : `${pot.name} will still be too thin when it is poured.`,
    arithmetic: `wanted ${String(wants)}: ${print.number(window![0], 0)} to ${print.number(window![1], 0)} min from emulsion; worked from ${print.number(pourAt, 0)} to ${print.number(workedUntil, 0)} min${mainFactor(step, print)}`,
    remedy: !soon
      ? 'Pour it later, or blend it a little longer.'
      : isFirst
        ? 'Colour and pour it first, work cooler, or choose a simpler design.'
        : 'Work cooler, or choose a simpler design.',
  };
}

/** Coarse grains where they do not belong, or where they sink. */
export function checkScrub(facts: PlanFacts): Check[] {
  const { plan } = facts;
  const scrubs = facts.used.filter((m) => m.kind === 'scrub');
  const coarse = scrubs.filter((m) => m.cautions.includes('scratchy'));
  const wants = plan.pots.some((p) => consistencyWanted(plan.idea.technique, p) === 'fluid');
  const sinking = scrubs.filter((m) => m.cautions.includes('sinks'));
  const out: Check[] = [];
  if (plan.work.use === 'face' && coarse.length > 0) {
    out.push({
      id: 'scrub-size',
      level: 'warn',
      place: { at: 'additives' },
      sentence: `${coarse.map((m) => m.name).join(', ')} is too coarse for faces.`,
      arithmetic: 'planned for the face',
      remedy: 'Leave it out, or say on the label: not for the face.',
      repairs: [{ label: 'It is for hands', apply: (p) => setWork(p, { use: 'hands' }) }],
    });
  }
  if (wants && sinking.length > 0) {
    out.push({
      id: 'scrub-size',
      level: 'warn',
      place: { at: 'additives' },
      sentence: `${sinking.map((m) => m.name).join(', ')} sinks in batter as thin as this technique wants.`,
      arithmetic: '',
      remedy: 'Stir it in at medium trace, or choose a lighter scrub.',
    });
  }
  return out;
}

/** What must be told to whoever uses the bar. */
export function checkAllergen(facts: PlanFacts): Check[] {
  const { plan } = facts;
  const oils = facts.flow.ledger.oils.map((id) => materialOf(plan, id));
  const names = [...oils, ...facts.used].filter((m) => m.cautions.includes('allergen')).map((m) => m.name);
  const milk = plan.base.liquid.parts.filter((p) => isMilk(p.kind)).map((p) => p.name);
  const all = [...new Set([...names, ...milk])];
  if (all.length === 0) return [];
  return [
    {
      id: 'allergen',
      level: 'tip',
      place: { at: 'additives' },
      sentence: `${all.join(', ')}: say so on the label.`,
      arithmetic: '',
      remedy: 'Nut, milk, oat, honey and pollen are named on every bar.',
    },
  ];
}

/** Tells of layers poured more than an hour apart, which may part at the cut. */
export function checkLayerBond({ plan, print }: PlanFacts): Check[] {
  const bonded = bondedPots(plan);
  if (bonded.length === 0) return [];
  const gap = Math.max(...bonded.map((b) => b.hours));
  return [
    {
      id: 'layer-bond',
      level: 'tip',
      place: { at: 'pots' },
      sentence: 'Layers poured this far apart may part at the cut.',
      arithmetic: `${print.number(gap, 1)} h between two of them, more than ${BOND_HOURS} h`,
      remedy: 'Mist the set layer with alcohol just before the next, away from flame and heat.',
    },
  ];
}

/** What the plan needs of each material, g, powders and all. */
export function needs({ plan, prep, flow }: Pick<PlanFacts, 'plan' | 'prep' | 'flow'>): Map<string, number> {
  const sum = new Map<string, number>();
  const add = (id: string, mass: number): void => {
    sum.set(id, (sum.get(id) ?? 0) + mass);
  };
  for (const o of flow.lyes.flatMap((l) => l.rows)) add(o.materialId, o.mass);
  for (const p of prep.pots) for (const r of p.rows) add(r.material.id, r.measured.mass);
  for (const a of prep.additives) add(a.material.id, a.mass);
  for (const s of prep.scent?.parts ?? []) add(s.material.id, s.mass);
  for (const e of prep.embeds) for (const d of e.powders) add(d.materialId, d.mass);
  for (const l of prep.lines) add(l.material.id, l.mass);
  const extra = flow.pots.reduce(
    (s, p) => s + p.contents[flow.ledger.at('carrier-oil')]! * Math.max(0, 1 - p.drawnOff),
    0,
  );
  const oil = plan.work.carrierOil ?? flow.carrierOil;
  if (extra > 0 && oil) add(oil, extra);
  return sum;
}

/** Warns of materials of which the shelf holds less than the plan needs, g. */
export function checkStock(facts: PlanFacts): Check[] {
  const { plan, shelf, print } = facts;
  const short = [...needs(facts)].flatMap(([id, mass]) => {
    const stock = shelf.get(id)?.stock ?? null;
    return stock !== null && mass > stock + 1e-9 ? [{ name: materialOf(plan, id).name, mass, stock }] : [];
  });
  if (short.length === 0) return [];
  return [
    {
      id: 'stock-short',
      level: 'warn',
      place: { at: 'work' },
      sentence: `The shelf holds too little ${short.map((s) => s.name).join(', ')}.`,
      arithmetic: short
        .map((s) => `${s.name}: ${print.mass(s.mass)} needed, ${print.mass(s.stock)} there`)
        .join('; '),
      remedy: 'Buy more, or make a smaller batch.',
    },
  ];
}

/** Tells, for a line that is made again, of lots of which no bar has been read. */
export function checkLots(facts: PlanFacts): Check[] {
  const { plan, shelf } = facts;
  if (!plan.work.permanentLine) return [];
  const untested = facts.used.filter((m) => {
    const lot = lotAtHand(shelf.get(m.id) ?? m);
    return m.optics && lot !== null && lot.label !== '' && !lot.tested;
  });
  if (untested.length === 0) return [];
  return [
    {
      id: 'untested-lot',
      level: 'tip',
      place: { at: 'work' },
      sentence: `No bar has been read yet from the present lot of ${untested.map((m) => m.name).join(', ')}.`,
      arithmetic: untested
        .map((m) => `${m.name}: lot ${lotAtHand(shelf.get(m.id) ?? m)?.label ?? ''}`)
        .join('; '),
      remedy: 'Make a small test bar before it goes into the line.',
    },
  ];
}
