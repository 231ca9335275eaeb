import { setBase, setWork } from '../../plan/edit/index.ts';
import { type Cause, ramp, standsOn } from '../cause.ts';
import { type BatchFacts, hasTrouble } from '../facts.ts';

/** The lowest superfat of any pot, in %, and whose it is. */
function leastSuperfat(f: BatchFacts): { readonly percent: number; readonly name: string } | null {
  const known = f.flow.pots.filter((p) => p.superfat !== null && p.left > 0);
  const all = [
    ...known.map((p) => ({ percent: p.superfat! * 100, name: p.pot.name })),
    ...(f.flow.leftoverSuperfat !== null && f.flow.leftoverMass > 50
      ? [{ percent: f.flow.leftoverSuperfat * 100, name: 'what no pot took' }]
      : []),
  ];
  return all.reduce<(typeof all)[number] | null>(
    (least, p) => (least && least.percent <= p.percent ? least : p),
    null,
  );
}

/** Superfat by the plan of the same pot, in %. */
const plannedSuperfat = (f: BatchFacts): number => f.planned.base.superfat;

export const emulsionCauses: readonly Cause[] = [
  {
    id: 'more-lye-went-in',
    faults: ['lye-heavy'],
    title: 'More lye went in, or less oil, than the recipe has.',
    evidence: (f) => {
      const least = leastSuperfat(f);
      const less = least ? plannedSuperfat(f) - f.plan.base.superfat : 0;
      return [
        standsOn(
          ramp(less, 0.7, 5),
          `what was weighed leaves ${f.print.percent(f.plan.base.superfat, 1)} superfat, ${f.print.percent(plannedSuperfat(f), 1)} were planned`,
          'what was weighed is what was planned, or nothing was logged',
        ),
      ];
    },
    next: () => [{ text: 'Weigh lye and oils twice; tick each line as it is weighed.' }],
  },
  {
    id: 'pot-without-oil',
    faults: ['lye-heavy'],
    title: 'A pot came without the oil that was kept back for carriers.',
    evidence: (f) => {
      const least = leastSuperfat(f);
      const gap = least ? f.plan.base.superfat - least.percent : 0;
      return [
        standsOn(
          least ? ramp(gap, 1, 5) * (least.percent < 3 ? 1 : 0.5) : 0,
          `${least?.name ?? ''} has ${f.print.percent(least?.percent ?? 0, 1)} superfat`,
          'every pot has its superfat',
        ),
      ];
    },
    next: () => [{ text: 'Equal carrier in every pot.', apply: (plan) => setWork(plan, { equalise: true }) }],
  },
  {
    id: 'it-separated',
    faults: ['lye-heavy', 'false-emulsion', 'weeping'],
    title: 'It separated: lye in one place, oil in another.',
    evidence: (f) => [
      standsOn(
        hasTrouble(f, 'it separated', 'it riced', 'it weeps') ? 1 : 0,
        'the log says that it separated, riced or wept',
        'no such trouble was logged',
      ),
    ],
    next: () => [
      { text: 'Blend to a stable emulsion, stir, wait a minute, look for grain or oil at the edge.' },
    ],
  },
  {
    id: 'hard-fats-set',
    faults: ['false-emulsion', 'riced', 'poured-stiff'],
    title: 'Hard fats set in the cold and looked like trace.',
    evidence: (f) => [
      standsOn(
        ramp(f.hardFats, 36, 50) * ramp(f.warmth, 33, 27),
        `${f.print.percent(f.hardFats, 0)} of hard fats at ${f.print.temperature(f.warmth)}`,
        'its fats were few enough, or warm enough',
      ),
    ],
    next: () => [{ text: 'Begin at 36 °C.', apply: (plan) => setBase(plan, { temperature: 36 }) }],
  },
  {
    id: 'emulsion-not-awaited',
    faults: ['false-emulsion'],
    title: 'It was divided before the emulsion held.',
    evidence: (f) => {
      const skipped = f.said.some((e) => e.kind === 'skipped' && e.target.includes('holds'));
      return [
        standsOn(
          skipped ? 1 : 0,
          'the look at the emulsion was left out',
          'the look at the emulsion was not left out',
        ),
      ];
    },
    next: () => [{ text: 'Do not leave out: stir, wait, look for graininess or oil at the edge.' }],
  },
];
