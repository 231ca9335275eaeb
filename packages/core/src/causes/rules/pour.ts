import { setBase, setDesign, setWork } from '../../plan/edit/index.ts';
import { setPour } from '../../plan/edit/work.ts';
import { type Pot } from '../../plan/plan.ts';
import { SCENT_FACTOR } from '../../work/pace.ts';
import { type Cause, helps, ramp, standsOn } from '../cause.ts';
import { type BatchFacts, hasTrouble, lastSaid, scentIn, thickestSaid, traceName } from '../facts.ts';

/** Steps whose pot was too stiff when its turn came, by the plan’s own reckoning. */
const late = (f: BatchFacts, pots: readonly Pot[]) =>
  f.steps.filter((s) => pots.some((p) => p.id === s.pot.id) && s.verdict === 'sets-too-soon');
const thin = (f: BatchFacts, pots: readonly Pot[]) =>
  f.steps.filter((s) => pots.some((p) => p.id === s.pot.id) && s.verdict === 'too-thin');

const scentPace = (f: BatchFacts): number => (f.blend ? SCENT_FACTOR[f.blend.pace] : 1);

/** Pots that turned out larger or smaller than planned, by the log. */
const resized = (f: BatchFacts) =>
  f.flow.pots.flatMap((p) => {
    const said = f.said.some(
      (e) => (e.kind === 'sized' || e.kind === 'took' || e.kind === 'spared') && e.potId === p.pot.id,
    );
    const planned = f.planned.pots.some((q) => q.id === p.pot.id);
    return said && planned ? [p.pot.name] : [];
  });

export const pourCauses: readonly Cause[] = [
  {
    id: 'batter-too-thin',
    faults: ['poured-thin', 'mud', 'too-fine', 'layers-broken', 'layers-uneven'],
    title: 'The batter was thinner than the design wants.',
    evidence: (f, pots) => {
      const said = lastSaid(f, pots);
      const early = thin(f, pots);
      return [
        standsOn(
          said !== null && said <= 1 ? (said === 0 ? 1 : 0.6) : early.length > 0 ? 0.6 : 0,
          said !== null && said <= 1
            ? `it was at ${traceName(said)} when it was last looked at`
            : `${early.map((s) => s.pot.name).join(', ')} is too thin at its turn by the plan`,
          said === null
            ? 'how thick it was is not logged, and the plan has it right'
            : `it was at ${traceName(said)}`,
        ),
      ];
    },
    next: () => [
      {
        text: 'Wait for the sign, or blend some seconds longer.',
        apply: (plan) => setWork(plan, { blendSeconds: plan.work.blendSeconds + 10 }),
      },
    ],
  },
  {
    id: 'slow-batter',
    faults: ['poured-thin'],
    title: 'Oils or scent that slow it down.',
    evidence: (f, pots) => {
      const most = Math.max(
        0,
        ...f.steps.filter((s) => pots.some((p) => p.id === s.pot.id)).map((s) => s.pace.factor),
      );
      return [
        standsOn(
          ramp(most, 1.25, 2),
          `its times are ${f.print.number(most, 2)} of the usual`,
          'its pace is an ordinary one',
        ),
      ];
    },
    next: () => [{ text: 'Warmer, less water, or more fast oils.' }],
  },
  {
    id: 'scent-speeds',
    faults: ['poured-stiff', 'given-up', 'seized', 'riced', 'too-coarse'],
    title: 'The scent made it thicken.',
    evidence: (f, pots) => {
      const scented = pots.some((p) => scentIn(f, p) > 1);
      const factor = scentPace(f);
      return [
        standsOn(
          scented ? ramp(factor, 0.9, 0.25) : 0,
          `its sheet says so: about ${f.print.number(factor, 2)} of the usual time`,
          scented ? 'the scent is not known to speed' : 'no scent went into it',
        ),
        helps(hasTrouble(f, 'it seized', 'it riced') ? 0.8 : 0, 'the log has it riced or seized'),
      ];
    },
    next: () => [
      {
        text: 'Scent last, by hand; or into the oils before the lye.',
        apply: (plan) =>
          plan.base.scent ? setBase(plan, { scent: { ...plan.base.scent, when: 'oils' } }) : plan,
      },
      { text: 'Agree on layers to fall back on.', apply: (plan) => setWork(plan, { fallback: 'layers' }) },
    ],
  },
  {
    id: 'work-took-too-long',
    faults: ['poured-stiff', 'given-up', 'too-coarse'],
    title: 'The work took longer than the batter stays workable.',
    evidence: (f, pots) => {
      const behind = late(f, pots);
      const open = Math.min(...f.steps.flatMap((s) => (s.window ? [s.window[1]] : [])));
      const logged = f.pouredAfter !== null && Number.isFinite(open) ? ramp(f.pouredAfter / open, 1, 1.6) : 0;
      return [
        standsOn(
          Math.max(logged, behind.length > 0 ? 0.7 : 0),
          logged > 0
            ? `poured ${f.print.number(f.pouredAfter ?? 0, 0)} min after the emulsion, workable for ${f.print.number(open, 0)}`
            : `${behind.map((s) => s.pot.name).join(', ')} sets before its turn by the plan`,
          'the work fits its time by the plan and by the log',
        ),
      ];
    },
    next: () => [{ text: 'Fewer pots, cups measured beforehand, cooler, or a simpler design.' }],
  },
  {
    id: 'blended-too-far',
    faults: ['poured-stiff', 'too-coarse', 'given-up'],
    title: 'It was blended further than emulsion.',
    evidence: (f) => [
      standsOn(
        ramp(f.plan.work.blendSeconds, 10, 40),
        `${f.plan.work.blendSeconds} s of blending after emulsion`,
        'hardly any blending after emulsion',
      ),
    ],
    next: () => [{ text: 'Stop at emulsion.', apply: (plan) => setWork(plan, { blendSeconds: 0 }) }],
  },
  {
    id: 'fast-colourant',
    faults: ['poured-stiff'],
    title: 'A colourant thickened its pot.',
    evidence: (f, pots) => {
      const fast = f.steps
        .filter((s) => pots.some((p) => p.id === s.pot.id))
        .flatMap((s) =>
          s.pace.factors.filter((x) => x.factor < 0.9 && f.plan.materials.some((m) => m.name === x.what)),
        );
      return [
        standsOn(
          fast.length > 0 ? ramp(Math.min(...fast.map((x) => x.factor)), 0.95, 0.6) : 0,
          fast.map((x) => `${x.what} × ${f.print.number(x.factor, 2)}`).join(', '),
          'no colourant in it speeds it much',
        ),
      ];
    },
    next: () => [{ text: 'Colour and pour this pot first, or wet its clay in more water.' }],
  },
  {
    id: 'pots-of-another-size',
    faults: ['layers-uneven', 'given-up'],
    title: 'Pots turned out larger or smaller than planned.',
    evidence: (f) => {
      const off = resized(f);
      return [
        standsOn(
          off.length > 0 ? 0.9 : 0,
          `the log has another size for ${off.join(', ')}`,
          'no pot was logged of another size',
        ),
      ];
    },
    next: () => [{ text: 'Weigh at the split, jugs tared.' }],
  },
  {
    id: 'layer-too-thick-to-level',
    faults: ['layers-uneven'],
    title: 'It no longer levelled by itself.',
    evidence: (f, pots) => {
      const said = thickestSaid(f, pots);
      return [
        standsOn(
          said === null ? 0 : ramp(said, 1.4, 3),
          `it was at ${traceName(said ?? 0)}`,
          said === null ? 'how thick it was is not logged' : `it was at ${traceName(said)}`,
        ),
      ];
    },
    next: () => [{ text: 'Pour earlier, level each layer with a spatula.' }],
  },
  {
    id: 'poured-from-high',
    faults: ['layers-broken'],
    title: 'It fell from too high onto the layer below.',
    evidence: (f) => {
      const most = Math.max(0, ...f.moves.map((m) => (m.kind === 'pour' ? m.height : 0)));
      return [
        standsOn(ramp(most, 80, 220), `poured from ${f.print.length(most)}`, 'poured from close above'),
      ];
    },
    next: (f) => [
      {
        text: 'Off a spatula, close above.',
        apply: (plan) =>
          setPour(plan, {
            moves: f.moves.map((m) =>
              m.kind === 'pour' ? { ...m, height: Math.min(m.height, 20), tool: 'spatula' as const } : m,
            ),
          }),
      },
    ],
  },
  {
    id: 'decided-simpler',
    faults: ['given-up'],
    title: 'The simpler design was decided on.',
    evidence: (f) => {
      const decided = f.said.findLast((e) => e.kind === 'decided');
      return [
        standsOn(decided?.value === 0 ? 0.5 : 0, 'the log has that decision', 'the log has no such decision'),
      ];
    },
    next: () => [
      {
        text: 'Layers as the design itself.',
        apply: (plan) => setDesign(plan, { body: [plan.work.fallback ?? 'layers'], layers: [] }),
      },
    ],
  },
];
