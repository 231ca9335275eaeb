import { designText, together } from '../palette/technique.ts';
import { setPot, setWork } from '../plan/edit/index.ts';
import { BOND_HOURS, bondedPots } from '../work/finish.ts';
import { consistencyWanted } from '../work/handwork.ts';
import { SCENT_FACTOR } from '../work/pace.ts';
import { type Plan, type Pot } from '../plan/plan.ts';
import { techniquesOf } from '../work/design.ts';
import { type PotStep, type TopStep } from '../work/timeline.ts';
import { type Check, type PlanFacts } from './check.ts';

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

/** A scent that races against a technique that takes its time. */
export function checkScentSeizes({ plan, blend, print }: PlanFacts): Check[] {
  const { design } = plan.idea;
  const scented = plan.pots.filter((p) => p.scented && p.place !== 'top');
  if (!blend || plan.work.fastWanted) return [];
  const races = (pot: Pot): boolean => {
    const wants = consistencyWanted(design, pot);
    if (wants === null) return false;
    return (
      blend.pace === 'seizes' ||
      (blend.pace === 'strong' && wants !== 'thick') ||
      (blend.pace === 'moderate' && (wants === 'fluid' || wants === 'light'))
    );
  };
  const pot = scented.find(races);
  const technique = pot && together(techniquesOf(design, pot));
  if (!technique) return [];
  const wants = consistencyWanted(design, pot);
  const factor = SCENT_FACTOR[blend.pace];
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
        plan.work.fallback || design.body.includes('layers')
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
  return [
    ...(all ? [workTooLong(facts, late)] : []),
    ...told.map((s) => potPace(facts, s, s === first)),
    // What is kept is told where its pot itself is in time.
    ...steps.flatMap((s) =>
      s.top?.verdict === 'sets-too-soon' && s.verdict !== 'sets-too-soon'
        ? [topTooStiff(facts, s, s.top)]
        : [],
    ),
  ];
}

/** The technique takes longer than any pot waits. */
function workTooLong({ plan, print }: PlanFacts, late: readonly PotStep[]): Check {
  const until = Math.max(...late.map((s) => s.workedUntil));
  const open = Math.max(...late.map((s) => s.window![1]));
  const { split, colour, scent, pour } = plan.work.minutes;
  const name = designText(plan.idea.design) || 'The work';
  return {
    id: 'pot-sets-too-soon',
    level: 'warn',
    place: { at: 'work' },
    sentence: `${name} takes longer than any of these pots stays workable.`,
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

/** What was kept for the top, or the surface that is shaped, has set when its turn comes. */
function topTooStiff({ print }: PlanFacts, { pot }: PotStep, top: TopStep): Check {
  return {
    id: 'pot-sets-too-soon',
    level: 'warn',
    place: { at: 'pot', potId: pot.id },
    sentence: `What goes on top of ${pot.name} will be too stiff before its turn comes.`,
    arithmetic: `wanted ${top.wants}: ${print.number(top.window[0], 0)} to ${print.number(top.window[1], 0)} min from emulsion; worked from ${print.number(top.from, 0)} to ${print.number(top.to, 0)} min, after it waited ${print.number(top.waits, 0)}`,
    remedy: 'Top it earlier, keep it cool, or keep the part for the top from a slower pot.',
  };
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
