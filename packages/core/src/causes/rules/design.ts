import { deltaE00 } from '../../colour/deltaE00.ts';
import { blendedLab } from '../../palette/mud.ts';
import { techniqueById } from '../../palette/technique.ts';
import { cured } from '../../pigment/stage.ts';
import { setPour } from '../../plan/edit/work.ts';
import { type Pot } from '../../plan/plan.ts';
import { type Cause, ramp, standsOn } from '../cause.ts';
import { type BatchFacts, scentIn, thickestSaid, traceName } from '../facts.ts';

/** Strokes of tools through what lies in the mould. */
const strokes = (f: BatchFacts): number =>
  f.moves.reduce((sum, m) => sum + (m.kind === 'stroke' ? Math.max(1, m.passes) : 0), 0);

const ofPots = (f: BatchFacts, pots: readonly Pot[]) =>
  f.touching.filter(
    (t) =>
      pots.length === f.plan.pots.length ||
      pots.some((p) => p.id === t.a.id) ||
      pots.some((p) => p.id === t.b.id),
  );

const pairName = (t: { readonly a: Pot; readonly b: Pot }): string => `${t.a.name} and ${t.b.name}`;

export const designCauses: readonly Cause[] = [
  {
    id: 'colours-too-near',
    faults: ['merged'],
    title: 'The two colours lie too near each other for this technique.',
    evidence: (f, pots) => {
      const near = ofPots(f, pots)
        .filter((t) => t.technique)
        .map((t) => ({
          ...t,
          far: deltaE00(f.looks.get(t.a.id)!.cured, f.looks.get(t.b.id)!.cured),
          need: t.technique!.apart,
        }))
        .sort((x, y) => x.far / x.need - y.far / y.need)[0];
      return [
        standsOn(
          near ? ramp(near.far / near.need, 1.05, 0.5) : 0,
          near
            ? `${pairName(near)}: ΔE ${f.print.number(near.far, 1)}, ${f.print.number(near.need, 0)} are needed`
            : '',
          'the colours that touch are far enough apart by the model',
        ),
      ];
    },
    next: () => [{ text: 'Make one of them clearly lighter, or put white between them.' }],
  },
  {
    id: 'browned-together',
    faults: ['merged'],
    title: 'The same brown of the scent lies over both.',
    evidence: (f, pots) => {
      const brown = (f.blend?.vanillin ?? 0) * Math.max(0, ...pots.map((p) => scentIn(f, p)));
      return [
        standsOn(
          ramp(brown, 0.1, 1.5),
          `${f.print.number(brown, 1)} g/kg of vanillin in them`,
          'the scent does not brown',
        ),
      ];
    },
    next: () => [{ text: 'Leave the scent out of one of them.' }],
  },
  {
    id: 'colours-grey-each-other',
    faults: ['mud'],
    title: 'The colours grey each other where they are worked together.',
    evidence: (f, pots) => {
      const pairs = ofPots(f, pots).filter((t) => t.mixed);
      const mud = pairs.find(
        ({ a, b }) =>
          blendedLab(
            f.looks.get(a.id)!.composition,
            f.looks.get(b.id)!.composition,
            [f.looks.get(a.id)!.cured, f.looks.get(b.id)!.cured],
            cured(f.gel.gel),
          ).mud,
      );
      return [
        standsOn(
          mud ? 0.9 : 0,
          mud ? `${pairName(mud)} make a dull blend` : '',
          'what is worked together keeps its colour',
        ),
      ];
    },
    next: () => [{ text: 'Neighbours on the wheel, or white between them.' }],
  },
  {
    id: 'too-many-strokes',
    faults: ['mud', 'over-blended', 'too-fine', 'merged'],
    title: 'The pattern got more strokes than it bears.',
    evidence: (f) => {
      const n = strokes(f);
      return [
        standsOn(
          ramp(n, 7, 16),
          `${n} strokes through the mould`,
          n > 0 ? `only ${n} strokes` : 'no strokes through the mould',
        ),
      ];
    },
    next: (f) => [
      {
        text: 'Half as many strokes.',
        apply: (plan) => {
          return setPour(plan, {
            moves: f.moves.map((m) =>
              m.kind === 'stroke' ? { ...m, passes: Math.max(1, Math.floor(m.passes / 2)) } : m,
            ),
          });
        },
      },
    ],
  },
  {
    id: 'one-pot-overturned',
    faults: ['over-blended', 'mud', 'too-fine'],
    title: 'All of it stood in one pot, where one turn too many makes one shade of it.',
    evidence: (f) => {
      const one = f.plan.idea.design.body.some((t) => techniqueById(t)?.onePot);
      return [standsOn(one ? 0.6 : 0, 'an in-the-pot swirl', 'it was not swirled in one pot')];
    },
    next: () => [{ text: 'Pour the colours in at the wall and turn once or not at all.' }],
  },
  {
    id: 'too-few-strokes',
    faults: ['too-coarse'],
    title: 'The pattern got few strokes.',
    evidence: (f) => {
      const swirls = f.plan.idea.design.body.some((t) => techniqueById(t)?.mixes);
      const n = strokes(f);
      return [
        standsOn(
          swirls ? ramp(n, 4, 1) * 0.8 : 0,
          `${n} strokes for a swirl`,
          swirls ? `${n} strokes` : 'nothing is swirled',
        ),
      ];
    },
    next: () => [{ text: 'Some strokes more, close together.' }],
  },
  {
    id: 'piece-on-set-soap',
    faults: ['piece-loose'],
    title: 'It was laid onto soap that had set.',
    evidence: (f) => {
      const onTop = f.plan.embeds.filter((e) => e.onTop);
      const said = thickestSaid(f, f.plan.pots);
      return [
        standsOn(
          onTop.length > 0 && said !== null ? ramp(said, 2, 4) : 0,
          `${onTop.map((e) => e.name).join(', ')} lies on top, and the batter was at ${traceName(said ?? 0)}`,
          'it was not logged that thick',
        ),
      ];
    },
    next: () => [{ text: 'Press it in while a spoon still leaves a trail.' }],
  },
  {
    id: 'piece-dusted',
    faults: ['piece-loose'],
    title: 'Dust keeps it from the soap around it.',
    evidence: (f) => {
      const dusted = f.plan.embeds.filter((e) => e.dusting);
      return [
        standsOn(
          dusted.length > 0 ? 0.8 : 0,
          `${dusted.map((e) => e.name).join(', ')} is dusted`,
          'no piece is dusted',
        ),
      ];
    },
    next: () => [
      {
        text: 'No dust where it is to hold.',
        apply: (plan) => ({ ...plan, embeds: plan.embeds.map((e) => ({ ...e, dusting: null })) }),
      },
    ],
  },
  {
    id: 'pieces-and-cuts',
    faults: ['piece-cut'],
    title: 'Pieces and cuts do not go together.',
    evidence: (f) => {
      const off = f.plan.embeds.filter((e) => e.pieces !== null || e.perBar !== 1);
      return [
        standsOn(
          off.length > 0 ? 0.9 : 0,
          off
            .map((e) => `${e.name}: ${e.pieces ?? e.perBar} ${e.pieces === null ? 'a bar' : 'in all'}`)
            .join('; '),
          'one piece lies in each bar',
        ),
      ];
    },
    next: () => [{ text: 'Mark the middles of the bars on the mould before the pieces are laid.' }],
  },
  {
    id: 'block-recut',
    faults: ['piece-cut'],
    title: 'The block was cut otherwise than planned.',
    evidence: (f) => [
      standsOn(
        f.record.cut.regions !== null ? 0.8 : 0,
        'other cuts were decided at the block',
        'it was cut as planned',
      ),
    ],
    next: () => [{ text: 'Decide on the cuts before the pieces are laid.' }],
  },
];
