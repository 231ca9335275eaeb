import { flowOf } from '../balance/balance.ts';
import { designText, TECHNIQUES, together } from '../palette/technique.ts';
import { type Design, emptyDesign } from '../plan/design.ts';
import { removeDesignLayer, removePot, setDesign, setDesignLayer, setTwins } from '../plan/edit/index.ts';
import { integrityProblems } from '../plan/integrity.ts';
import { type Plan, type Pot } from '../plan/plan.ts';
import { grams } from '../units/quantity.ts';
import { planWith, pot } from '../testing/plans.ts';
import { fallbackDesign, pourStages } from './design.ts';
import { HANDWORK } from './handwork.ts';
import { timelineOf } from './timeline.ts';
import { touchingPots } from './touching.ts';

const pots = ['A', 'B', 'C', 'D'].map((n) => pot(n, 1));
const designed = (design: Partial<Design>, of: readonly Pot[] = pots): Plan =>
  planWith(of, {}, { idea: { design: { ...emptyDesign, ...design }, colours: [] } });
const layer = (technique: string, ...ids: readonly string[]) => ({ id: 'l', technique, pots: ids });
/** Pairs as `A–B layers`, a dragged one with a star. */
const meets = (plan: Plan): string[] =>
  touchingPots(plan, flowOf(plan)).map(
    (t) => `${t.a.name}–${t.b.name} ${t.technique?.id ?? 'open'}${t.mixed ? ' *' : ''}`,
  );

describe('techniques one after another', () => {
  it('ask for the most that any of them asks', () => {
    expect(together([])).toBeNull();
    expect(together(['drops'])).toBe(TECHNIQUES.find((t) => t.id === 'drops'));
    // Layers 8, a row, 2–8 pots; hanger 18 with 10 in L*, everything, 2–5 pots.
    expect(together(['layers', 'hanger'])).toMatchObject({
      name: 'Layers, then hanger swirl',
      apart: 18,
      apartL: 10,
      touching: 'all',
      mixes: true,
      pots: [2, 5],
    });
  });

  it('are told in words', () => {
    expect(designText(emptyDesign)).toBe('');
    expect(
      designText({
        ...emptyDesign,
        body: ['layers'],
        layers: [layer('in-the-pot', 'A', 'B')],
        top: 'piped-top',
      }),
    ).toBe('Layers; in-the-pot swirl in a layer of its own; piped top');
  });

  it('the move through the body comes after what was poured before it', () => {
    const { mould, pots: steps } = timelineOf(designed({ body: ['layers', 'hanger'] }));
    expect(mould.map((t) => t.name)).toEqual(['level', 'level', 'level', HANDWORK.hanger!.after!.name]);
    // As fluid as the hanger wants it, not as thick as layers alone would.
    expect(steps.map((s) => s.wants)).toEqual(['fluid', 'fluid', 'fluid', 'fluid']);
    for (const s of steps) expect(s.workedUntil).toBe(mould.at(-1)!.to);
  });
});

describe('a layer of its own', () => {
  const plan = designed({ body: ['layers'], layers: [layer('in-the-pot', 'B', 'C')] });

  it('is one stage of the pour, at its first pot', () => {
    const stages = pourStages(plan.idea.design, plan.pots);
    expect(stages.map((s) => s.pots.map((p) => p.name).join(''))).toEqual(['A', 'BC', 'D']);
    const split = designed({ body: ['layers'], layers: [layer('in-the-pot', 'A', 'D')] });
    expect(pourStages(split.idea.design, split.pots).map((s) => s.pots.map((p) => p.name).join(''))).toEqual([
      'AD',
      'BC',
    ]);
  });

  it('mixes within itself and shows all its colours to the layers around it', () => {
    expect(meets(plan)).toEqual(['B–C in-the-pot *', 'A–B layers', 'A–C layers', 'B–D layers', 'C–D layers']);
  });

  it('has its own window and its own hand, and the body goes on after it', () => {
    const { pots: steps, mould } = timelineOf(plan);
    const [a, b, c, d] = steps;
    expect(steps.map((s) => s.wants)).toEqual(['medium', 'light', 'light', 'medium']);
    const turn = mould.find((t) => t.name === HANDWORK['in-the-pot']!.after!.name)!;
    expect([b!.workedUntil, c!.workedUntil]).toEqual([turn.to, turn.to]);
    expect(a!.workedUntil).toBe(a!.pouredAt);
    expect(d!.pourAt).toBeGreaterThanOrEqual(turn.to);
  });

  it('is not brought forward for lying in one layer with an earlier pot', () => {
    const apart = designed({ body: ['layers'], layers: [layer('in-the-pot', 'A', 'D')] });
    const slow = apart.pots.map((p) => (p.name === 'B' ? { ...p, doses: [] } : p));
    expect(timelineOf({ ...apart, pots: slow }).broughtForward).toEqual([]);
  });

  it('takes its pots out of other layers, and forgets a pot that is removed', () => {
    const next = setDesignLayer(plan, { id: 'm', technique: 'drops', pots: ['C', 'D'] });
    expect(next.idea.design.layers.map((l) => l.pots)).toEqual([['B'], ['C', 'D']]);
    const gone = removePot(setTwins(next, 'A', 'D', true), 'D');
    expect(gone.idea.design.layers.map((l) => l.pots)).toEqual([['B'], ['C']]);
    expect(gone.idea.design.twins).toEqual([]);
    expect(integrityProblems(gone)).toEqual([]);
    expect(removeDesignLayer(gone, 'l').idea.design.layers.map((l) => l.id)).toEqual(['m']);
  });

  it('must name pots that are there, each once', () => {
    const broken = setDesign(plan, {
      layers: [layer('drops', 'A', 'A'), { ...layer('drops', 'Z'), id: 'm' }],
      twins: [{ a: 'A', b: 'Y' }],
    });
    expect(integrityProblems(broken).map((p) => p.path)).toEqual([
      'idea.design.layers.0.pots.1',
      'idea.design.layers.1.pots.0',
      'idea.design.twins.0.b',
    ]);
  });
});

describe('the top', () => {
  const kept = (reserve: number): Pot => ({ ...pot('B', 1), reserve: grams(reserve) });

  it('what is kept of a pot waits for its own window, and lies on what was poured last', () => {
    const plan = designed({ body: ['layers'], top: 'piped-top' }, [pot('A', 1), kept(60), pot('C', 1)]);
    const [a, b] = timelineOf(plan).pots;
    expect(a!.top).toBeNull();
    expect(b!.top).toMatchObject({ wants: 'stiff', from: b!.top!.window[0], verdict: 'fits' });
    expect(b!.top!.waits).toBeCloseTo(b!.top!.from - b!.pouredAt, 9);
    expect(meets(plan)).toEqual(['A–B layers', 'B–C layers']);
    const many = designed({ body: ['layers'], top: 'textured-top' }, [kept(60), pot('A', 1), pot('C', 1)]);
    // B lies at the bottom and, kept, on C at the top.
    expect(meets(many)).toEqual(['B–A layers', 'A–C layers', 'C–B textured-top']);
  });

  it('a texture without anything kept shapes what was poured last, once it is thick', () => {
    const plan = designed({ body: ['layers'], top: 'textured-top' }, [pot('A', 1), pot('B', 1)]);
    const { pots: steps, mould } = timelineOf(plan);
    expect(steps[0]!.top).toBeNull();
    expect(steps[1]!.top!.wants).toBe('thick');
    expect(mould.at(-1)).toMatchObject({ name: 'shape the top', from: steps[1]!.top!.from });
  });

  it('without a design nothing is asked of any pair', () => {
    expect(meets(designed({}))).toEqual(['A–B open', 'B–C open', 'C–D open']);
  });
});

it('the fallback replaces what fills the mould, and leaves the top', () => {
  const plan = designed({ body: ['hanger'], layers: [layer('drops', 'A', 'B')], top: 'piped-top' });
  expect(fallbackDesign(plan)).toBeNull();
  const agreed = { ...plan, work: { ...plan.work, fallback: 'layers' } };
  expect(fallbackDesign(agreed)).toEqual({ ...emptyDesign, body: ['layers'], top: 'piped-top' });
});
