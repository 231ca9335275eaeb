import { techniqueById } from '../palette/technique.ts';
import { concentrationOf, lyeRate } from '../balance/lye.ts';
import { setWork } from '../plan/edit/index.ts';
import { BOND_HOURS, bondedPots, mistBeforeHeat } from '../work/finish.ts';
import { consistencyWanted } from '../work/handwork.ts';
import { isMilk } from '../plan/liquid.ts';
import { materialOf } from '../plan/plan.ts';
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
    plan.work.heat === 'force' ? 'gel is forced' : warm && tall ? 'the mould is tall and kept warm' : null;
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

/** More water than this concentration leaves, with full gel, lets titanium dioxide run. */
export const RIVERS_BELOW = 30;

/** Warns of titanium dioxide in thin lye with forced gel, which gives glycerin rivers. */
export function checkRivers(facts: PlanFacts): Check[] {
  const { plan } = facts;
  const { naoh, koh, liquid } = lyeRate(plan);
  const concentration = concentrationOf(naoh + koh, liquid);
  if (plan.work.heat !== 'force' || concentration >= RIVERS_BELOW - 1e-9 || concentration === 0) return [];
  const white = plan.pots.filter((p) =>
    facts.held.get(p.id)!.some((h) => h.material.cautions.includes('rivers')),
  );
  if (white.length === 0) return [];
  return [
    {
      id: 'rivers',
      level: 'warn',
      place: { at: 'pot', potId: white[0]!.id },
      sentence: `Titanium dioxide with this much water and full gel gives glycerin rivers in ${white.map((p) => p.name).join(', ')}.`,
      arithmetic: `lye concentration ${facts.print.number(concentration, 1)} %, below ${RIVERS_BELOW} %, gel forced`,
      remedy: 'Use less water, or prevent gel.',
      repairs: [{ label: 'Let it be', apply: (p) => setWork(p, { heat: 'let' }) }],
    },
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
