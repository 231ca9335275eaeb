import { setBase, setWork } from '../../plan/edit/index.ts';
import { bondedPots, withFinish } from '../../work/finish.ts';
import { MOST_CARRIER, MOST_SOLIDS } from '../../material/limits.ts';
import { solidsOf } from '../../balance/solids.ts';
import { type Cause, helps, ramp, standsOn } from '../cause.ts';
import { type BatchFacts, scentIn } from '../facts.ts';

const isKeptWarm = (f: BatchFacts): boolean =>
  f.plan.work.heat === 'force' || f.plan.work.finish.some((x) => x === 'oven' || x === 'insulate');

const mostSolids = (f: BatchFacts): number =>
  Math.max(0, ...f.flow.pots.map((p) => solidsOf(f.plan, f.flow, p)));

const extraCarrier = (f: BatchFacts): number =>
  Math.max(
    0,
    ...f.flow.pots.map((p) =>
      p.oils > 0
        ? ((p.contents[f.flow.ledger.at('carrier-oil')]! + p.contents[f.flow.ledger.at('glycerin')]!) *
            1000) /
          p.oils
        : 0,
    ),
  );

export const bodyCauses: readonly Cause[] = [
  {
    id: 'cracked-by-heat',
    faults: ['cracked', 'overheated'],
    title: 'It was kept warmer than it bore.',
    evidence: (f) => [
      standsOn(
        isKeptWarm(f) ? 0.7 : 0,
        f.plan.work.finish.includes('oven')
          ? 'it went into a warm oven'
          : 'it was insulated, or gel was forced',
        'it was not kept warm',
      ),
      helps(f.sweet.length > 0 ? 0.8 : 0, `${f.sweet.join(', ')} heats it besides`),
      helps(ramp(f.warmth, 38, 50), `it began at ${f.print.temperature(f.warmth)}`),
    ],
    next: () => [
      {
        text: 'Let it be: no oven, no cover.',
        apply: (plan) =>
          setWork(plan, {
            heat: 'let',
            finish: plan.work.finish.filter((x) => x !== 'oven' && x !== 'insulate'),
          }),
      },
    ],
  },
  {
    id: 'began-hot',
    faults: ['overheated', 'seized', 'poured-stiff'],
    title: 'Lye and oils met too warm.',
    evidence: (f) => [
      standsOn(
        ramp(f.warmth, 37, 48),
        `${f.print.temperature(f.warmth)} ${f.warmthMeasured ? 'were measured' : 'by the plan'}`,
        `${f.print.temperature(f.warmth)} ${f.warmthMeasured ? 'were measured' : 'by the plan, none was logged'}`,
      ),
    ],
    next: () => [{ text: 'Begin at 30 °C.', apply: (plan) => setBase(plan, { temperature: 30 }) }],
  },
  {
    id: 'brittle-additive',
    faults: ['cracked'],
    title: 'A hardener above its ceiling makes bars brittle.',
    evidence: (f) => {
      const over = f.plan.base.additives.flatMap((a) => {
        const m = f.plan.materials.find((x) => x.id === a.materialId)!;
        const ceiling = m.window?.ceiling ?? Infinity;
        return m.cautions.includes('brittle') && a.dose > ceiling
          ? [`${m.name} ${f.print.number(a.dose, 0)} g/kg, ceiling ${f.print.number(ceiling, 0)}`]
          : [];
      });
      return [standsOn(over.length > 0 ? 1 : 0, over.join('; '), 'no hardener stands above its ceiling')];
    },
    next: (f) => [
      {
        text: 'Back to what is usual.',
        apply: (plan) =>
          setBase(plan, {
            additives: plan.base.additives.map((a) => {
              const m = f.plan.materials.find((x) => x.id === a.materialId);
              return m?.cautions.includes('brittle') && m.window
                ? { ...a, dose: m.window.typical as typeof a.dose }
                : a;
            }),
          }),
      },
    ],
  },
  {
    id: 'too-many-solids',
    faults: ['cracked', 'soft', 'layers-apart'],
    title: 'More powder and clay than the soap holds together.',
    evidence: (f) => [
      standsOn(
        ramp(mostSolids(f), MOST_SOLIDS * 0.75, MOST_SOLIDS * 1.3),
        `${f.print.number(mostSolids(f), 0)} g/kg of powder and clay, ${MOST_SOLIDS} are borne`,
        'there is not that much powder in it',
      ),
    ],
    next: () => [{ text: 'Half as much clay, wetted in its own water.' }],
  },
  {
    id: 'cut-too-late',
    faults: ['cracked'],
    title: 'It had grown too hard to be cut.',
    evidence: (f) => [
      standsOn(
        f.cutAfter === null ? 0 : ramp(f.cutAfter, 48, 96),
        `cut ${f.print.number(f.cutAfter ?? 0, 0)} h after the pour`,
        f.cutAfter === null
          ? 'when it was cut is not logged'
          : `it was cut after ${f.print.number(f.cutAfter, 0)} h`,
      ),
      helps(f.hardFats > 55 ? 0.7 : 0, 'on oils that set hard'),
    ],
    next: () => [{ text: 'Cut as soon as a finger leaves no mark.' }],
  },
  {
    id: 'much-superfat',
    faults: ['soft', 'weeping'],
    title: 'Much oil is left in it.',
    evidence: (f) => {
      const most = Math.max(f.plan.base.superfat, ...f.flow.pots.map((p) => (p.superfat ?? 0) * 100));
      return [
        standsOn(
          ramp(most, 9, 16),
          `${f.print.percent(most, 0)} superfat in a pot`,
          'its superfat is an ordinary one',
        ),
      ];
    },
    next: () => [{ text: 'Back to 5 %.', apply: (plan) => setBase(plan, { superfat: 5 }) }],
  },
  {
    id: 'soft-oils',
    faults: ['soft'],
    title: 'Its oils stay soft for long.',
    evidence: (f) => [
      standsOn(
        ramp(f.hardFats, 30, 12),
        `${f.print.percent(f.hardFats, 0)} of hard fats`,
        `${f.print.percent(f.hardFats, 0)} of its oils are hard`,
      ),
    ],
    next: () => [{ text: 'More hard fats, or weeks more of patience.' }],
  },
  {
    id: 'much-water',
    faults: ['soft'],
    title: 'Much water has still to leave.',
    evidence: (f) => [
      standsOn(
        ramp(f.concentration, 29, 25),
        `the lye stood at ${f.print.number(f.concentration, 1)} %`,
        `the lye stood at ${f.print.number(f.concentration, 1)} %`,
      ),
    ],
    next: () => [
      {
        text: 'Less water: 33 % lye.',
        apply: (plan) => setBase(plan, { liquid: { ...plan.base.liquid, by: 'concentration', value: 33 } }),
      },
    ],
  },
  {
    id: 'stayed-cold',
    faults: ['soft'],
    title: 'It stayed cold, and saponified slowly.',
    evidence: (f) => [
      standsOn(
        f.plan.work.finish.includes('fridge') || f.plan.work.heat === 'prevent'
          ? 0.8
          : f.gelSeen === 0
            ? 0.4
            : 0,
        f.gelSeen === 0 ? 'no gel was seen' : 'it was kept cold',
        'it was not kept cold',
      ),
    ],
    next: () => [{ text: 'A day more in the mould, or let it warm itself.' }],
  },
  {
    id: 'much-carrier',
    faults: ['soft', 'weeping'],
    title: 'Carrier oil was added beside the recipe.',
    evidence: (f) => [
      standsOn(
        ramp(extraCarrier(f), MOST_CARRIER * 0.6, MOST_CARRIER * 1.6),
        `${f.print.number(extraCarrier(f), 0)} g/kg of carrier in a pot`,
        'there is little carrier in it',
      ),
    ],
    next: () => [
      {
        text: 'Take the carriers out of the batch oils.',
        apply: (plan) => ({
          ...plan,
          pots: plan.pots.map((p) => ({
            ...p,
            doses: p.doses.map((d) => ({ ...d, source: 'batch' as const })),
          })),
        }),
      },
    ],
  },
  {
    id: 'layers-poured-apart',
    faults: ['layers-apart'],
    title: 'The layers were poured too far apart to knit.',
    evidence: (f, pots) => {
      const gaps = bondedPots(f.plan).filter(
        (b) => pots.length === f.plan.pots.length || pots.some((p) => p.id === b.potId),
      );
      const most = Math.max(0, ...gaps.map((g) => g.hours));
      return [
        standsOn(
          ramp(most, 0.8, 3),
          `${f.print.number(most, 1)} h between two layers`,
          'the layers followed each other',
        ),
        helps(
          f.said.some((e) => e.kind === 'skipped' && e.target.includes('mist')) ? 1 : 0,
          'the mist between them was left out',
        ),
      ];
    },
    next: () => [{ text: 'Mist the set layer with alcohol just before the next, or pour sooner.' }],
  },
  {
    id: 'thick-powder-line',
    faults: ['layers-apart'],
    title: 'The powder line is so thick that it parts the layers.',
    evidence: (f) => {
      const most = Math.max(0, ...f.plan.lines.map((l) => l.gramsPerDm2));
      return [
        standsOn(
          ramp(most, 0.55, 1.4),
          `${f.print.number(most, 1)} g/dm² in the line`,
          'there is no thick line in it',
        ),
      ];
    },
    next: () => [
      {
        text: 'Half as much through the sieve.',
        apply: (plan) => ({
          ...plan,
          lines: plan.lines.map((l) => ({ ...l, gramsPerDm2: l.gramsPerDm2 / 2 })),
        }),
      },
    ],
  },
  {
    id: 'scent-over-what-it-holds',
    faults: ['weeping'],
    title: 'More scent than the soap holds.',
    evidence: (f, pots) => {
      const most = Math.max(0, ...pots.map((p) => scentIn(f, p)));
      return [
        standsOn(
          ramp(most, 45, 65),
          `${f.print.number(most, 0)} g/kg of scent in a pot`,
          'its scent is an ordinary amount',
        ),
      ];
    },
    next: () => [
      {
        text: 'A third less scent.',
        apply: (plan) =>
          plan.base.scent
            ? setBase(plan, {
                scent: {
                  ...plan.base.scent,
                  dose: ((plan.base.scent.dose * 2) / 3) as typeof plan.base.scent.dose,
                },
              })
            : plan,
      },
    ],
  },
  {
    id: 'heat-could-not-leave',
    faults: ['overheated'],
    title: 'A mould so thick that its heat could not leave.',
    evidence: (f) => [
      standsOn(
        ramp(f.gel.reaches - f.gel.begins, 8, 20),
        `its middle reached about ${f.print.temperature(f.gel.reaches)} by itself`,
        'its middle did not get that warm by itself',
      ),
    ],
    next: () => [
      {
        text: 'Cool it: a fan, or the cold.',
        apply: (plan) => setWork(plan, { finish: withFinish(plan.work.finish, 'fridge') }),
      },
    ],
  },
];
