import { flowOf } from '../balance/balance.ts';
import { type Move, newMove } from '../plan/day.ts';
import { plainMould } from '../plan/moulding.ts';
import { type Plan } from '../plan/plan.ts';
import { TECHNIQUES } from '../palette/technique.ts';
import { ideaOf, planWith, pot } from '../testing/plans.ts';
import { withFallback } from './design.ts';
import { partsOf, pourScript, raiseFor, weighMoves } from './pourScript.ts';

const three = (technique: string, work: Partial<Plan['work']['pour']> = {}): Plan => {
  const plan = planWith([pot('A', 3), pot('B', 1), pot('C', 1)], {}, { idea: ideaOf(technique) });
  return {
    ...plan,
    moulding: { ...plan.moulding, moulds: [{ id: 'm', count: 1, mould: plainMould('Loaf', 'box') }] },
    work: { ...plan.work, pour: { ...plan.work.pour, ...work } },
  };
};
const ORDER = ['A', 'B', 'C'];
const movesOf = (plan: Plan): readonly Move[] =>
  pourScript(plan, flowOf(plan), ORDER).flatMap((s) => s.moves);
const poursOf = (plan: Plan): (string | null)[] =>
  movesOf(plan)
    .filter((m) => m.kind === 'pour')
    .map((m) => m.potId);

it.each(TECHNIQUES.filter((t) => t.where === 'body').map((t) => t.id))(
  '%s pours all of every pot, and the mould holds what the plan brings into it',
  (technique) => {
    const plan = three(technique);
    const flow = flowOf(plan);
    const moves = movesOf(plan);
    for (const id of ORDER) expect(partsOf(moves, id)).toBeCloseTo(1, 9);
    const all = flow.pots.reduce((sum, p) => sum + p.toMould, 0);
    expect(weighMoves(moves, flow).at(-1)!.inMould).toBeCloseTo(all, 6);
    expect(new Set(moves.map((m) => m.id)).size).toBe(moves.length);
  },
);

it('swirls come in turn, layers one after another', () => {
  expect(poursOf(three('layers'))).toEqual(['A', 'B', 'C']);
  expect(poursOf(three('funnel'))).toEqual(['A', 'B', 'C', 'A', 'B', 'C', 'A', 'B', 'C']);
  expect(poursOf(three('drops'))).toEqual(['A', 'B', 'C', 'A']);
});

it('what is swirled in the pot comes out of the largest jug, with all that went into it', () => {
  const plan = three('in-the-pot');
  const flow = flowOf(plan);
  const poured = weighMoves(movesOf(plan), flow);
  expect(poured.map((p) => [p.move.kind, p.move.potId, p.move.into])).toEqual([
    ['pour', 'B', 'A'],
    ['pour', 'C', 'A'],
    ['stroke', null, null],
    ['pour', 'A', null],
  ]);
  expect(poured.slice(0, 3).map((p) => p.inMould)).toEqual([0, 0, 0]);
  expect(poured[3]!.mass).toBeCloseTo(
    flow.pots.reduce((sum, p) => sum + p.toMould, 0),
    6,
  );
});

it('a section is that of the pot’s own share, else the next', () => {
  const plan = three('divided-comb');
  const own = { id: 's', from: null, by: 'section', value: 5, second: 0 } as const;
  const pots = plan.pots.map((p) => (p.id === 'B' ? { ...p, draws: [own] } : p));
  const sections = (p: Plan) => movesOf(p).flatMap((m) => (m.place === 'section' ? [m.at] : []));
  expect(sections(plan)).toEqual([1, 2, 3]);
  const mould = { ...plainMould('Slab', 'slab'), sections: [50, 50, 50, 50, 50, 50], dividerThickness: 0 };
  const slab = { ...plan.moulding, moulds: [{ id: 'm', count: 1, mould: { ...mould, length: 300 } }] };
  expect(sections({ ...plan, pots, moulding: slab })).toContain(5);
});

describe('a slant', () => {
  const mould = { ...plainMould('Loaf', 'box'), length: 200, width: 80, height: 60 };

  it('is as steep as a wedge of the volume lies without flowing over', () => {
    // A triangle of 80 × 30 mm: 240 ml over 200 mm.
    expect(raiseFor(mould, 240)).toBeCloseTo(80 * Math.sin(Math.atan(30 / 80)), 9);
    // 60 mm at the low wall is the most; half of all the room fills it so.
    expect(raiseFor(mould, 480)).toBeCloseTo(80 * Math.sin(Math.atan(60 / 80)), 9);
    // More lies flatter: 60 mm against 20 mm.
    expect(raiseFor(mould, 640)).toBeCloseTo(80 * Math.sin(Math.atan(40 / 80)), 9);
    expect(raiseFor(mould, 960)).toBeCloseTo(0, 9);
    expect(raiseFor(mould, 0)).toBe(0);
    expect(raiseFor({ ...mould, length: 0 }, 100)).toBe(0);
  });

  it('is raised before the first pot and set level before the last', () => {
    const plan = three('slanted-layers');
    const moves = movesOf(plan);
    expect(moves.map((m) => m.kind)).toEqual(['prop', 'pour', 'pour', 'wait', 'prop', 'pour']);
    expect(moves[0]!.height).toBeGreaterThan(0);
    expect(moves[4]!.side).toBe('flat');
  });
});

describe('written by hand', () => {
  const pour = (id: string, potId: string, part: number): Move => newMove({ id, kind: 'pour', potId, part });

  it('one pot in several layers, each with what stands in the mould after it', () => {
    const plan = three('layers', {
      moves: [
        pour('1', 'A', 0.25),
        pour('2', 'B', 1),
        pour('3', 'A', 0.5),
        pour('4', 'C', 1),
        pour('5', 'A', 0.25),
      ],
    });
    const flow = flowOf(plan);
    const [a, b, c] = ORDER.map((id) => flow.pots.find((p) => p.pot.id === id)!.toMould);
    expect(weighMoves(movesOf(plan), flow).map((p) => Math.round(p.inMould * 100) / 100)).toEqual(
      [a! / 4, a! / 4 + b!, (a! * 3) / 4 + b!, (a! * 3) / 4 + b! + c!, a! + b! + c!].map(
        (g) => Math.round(g * 100) / 100,
      ),
    );
  });

  it('what is left in a jug is poured at the end, and no jug gives more than it holds', () => {
    const plan = three('layers', { moves: [pour('1', 'A', 0.4), pour('2', 'B', 0.8), pour('3', 'B', 0.8)] });
    const flow = flowOf(plan);
    const poured = weighMoves(movesOf(plan), flow);
    expect(poured.slice(3).map((p) => [p.move.potId, p.move.part])).toEqual([
      ['A', 0.6],
      ['C', 1],
    ]);
    const b = flow.pots.find((p) => p.pot.id === 'B')!.toMould;
    expect(poured[2]!.mass).toBeCloseTo(0.2 * b, 9);
  });

  it('a free pour says the pots alone', () => {
    const moves = movesOf(three('funnel', { free: true }));
    expect(moves.map((m) => [m.potId, m.part, m.place])).toEqual(ORDER.map((id) => [id, 1, '']));
  });
});

it('the simpler design is poured by its own technique, whatever was written by hand for the full one', () => {
  const move = newMove({ id: '1', kind: 'pour', potId: 'A', part: 1, place: 'middle' });
  const full = three('funnel', { moves: [move] });
  const agreed = { ...full, work: { ...full.work, fallback: 'layers' } };
  expect(poursOf(withFallback(agreed))).toEqual(['A', 'B', 'C']);
  expect(movesOf(withFallback(agreed)).some((m) => m.place === 'middle')).toBe(false);
  expect(withFallback(full)).toBe(full);
});
