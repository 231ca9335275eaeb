import fc from 'fast-check';
import { emptyDesign } from '../plan/design.ts';
import { techniqueById, TECHNIQUES } from '../palette/technique.ts';
import { dose, planWith, pot, scentOf, bead, ideaOf } from '../testing/plans.ts';
import { HANDWORK } from './handwork.ts';
import { newPot, type Plan, type Pot } from '../plan/plan.ts';
import { type PotStep, timelineOf } from './timeline.ts';

/** A technique where it belongs: in the body, or on the top over layers. */
const designed = (technique: string | null): Plan['idea'] => {
  const top = techniqueById(technique)?.where === 'top';
  const idea = ideaOf(...(technique === null ? [] : [top ? 'layers' : technique]));
  return top ? { ...idea, design: { ...idea.design, top: technique } } : idea;
};
const plan = (technique: string | null, pots: readonly Pot[], rest: Partial<Plan> = {}): Plan =>
  planWith(pots, {}, { idea: designed(technique), ...rest });
const scented = (technique: string, pots: readonly Pot[], scent = scentOf('scent-red-gate', 20)): Plan => ({
  ...plan(technique, pots),
  base: planWith([], { scent }).base,
  materials: planWith(pots, { scent }).materials,
});
const kinds = (step: PotStep | undefined): string =>
  step!.tasks.map((t) => `${t.kind} ${t.from}–${t.to}`).join(', ');

describe('the work, laid on one axis', () => {
  it('splits first, then colours in the order given, then pours', () => {
    const { pots, mould } = timelineOf(
      plan('layers', [pot('A', 1, dose('kaolin', 5)), pot('B', 1, dose('ultramarine-blue', 3))]),
      { order: ['B', 'A'] },
    );
    const [a, b] = pots;
    // Two splits of 1 min; B coloured 2–4, A 4–6.
    expect(kinds(b)).toMatch(/^split 0–1, colour 2–4, pour/);
    expect(kinds(a)).toMatch(/^split 1–2, colour 4–6, pour/);
    // A is the lower layer and poured first; it is levelled for a minute before B.
    expect(mould).toEqual([{ name: 'level', from: a!.pouredAt, to: a!.pouredAt + 1 }]);
    expect(b!.pourAt).toBe(a!.pouredAt + 1);
  });

  it('a pot drawn from another is split off after that one is coloured', () => {
    const child: Pot = {
      ...newPot('Child', 'Child'),
      draws: [{ id: 'd', from: 'A', by: 'percent', value: 50, second: 0 }],
    };
    const { pots } = timelineOf(plan('layers', [pot('A', 1, dose('kaolin', 5)), child]));
    expect(kinds(pots[0])).toMatch(/^split 0–1, colour 1–3/);
    expect(kinds(pots[1])).toMatch(/^split 3–4/);
  });

  it('scent takes a minute in each scented pot, or once for the whole batter, or none in the oils', () => {
    const pots = [
      { ...pot('A', 1), scented: true },
      { ...pot('B', 1), scented: true },
    ];
    const scent = scentOf('scent-limewash', 20);
    expect(kinds(timelineOf(scented('hanger', pots, scent)).pots[1])).toMatch(/^split 1–2, scent 3–4/);
    const whole = timelineOf(scented('hanger', pots, { ...scent, when: 'batter' }));
    expect(kinds(whole.pots[0])).toMatch(/^split 1–2, pour/);
    const oils = timelineOf(scented('hanger', pots, { ...scent, when: 'oils' }));
    expect(kinds(oils.pots[0])).toMatch(/^split 0–1, pour/);
  });

  it('what sets first is poured first where pots need not lie in order, and only there', () => {
    const pots = [pot('Slow', 1), { ...pot('Fast', 1), scented: true }];
    const streams = timelineOf(scented('funnel', pots));
    expect(streams.pours).toEqual(['Fast', 'Slow']);
    expect(streams.broughtForward.map((p) => p.name)).toEqual(['Fast']);
    const layers = timelineOf(scented('layers', pots));
    expect(layers.pours).toEqual(['Slow', 'Fast']);
    expect(layers.broughtForward).toEqual([]);
  });

  it('the last move through the batter finds it workable, or the pot sets too soon', () => {
    const pots = [pot('A', 1), pot('B', 1)];
    const move = HANDWORK.hanger!.after!.minutes;
    const { pots: steps } = timelineOf(plan('hanger', pots));
    const ends = Math.max(...steps.map((s) => s.pouredAt)) + move;
    for (const s of steps) expect(s.workedUntil).toBe(ends);
    const medium = steps[0]!.window![1];
    // Hurried until the window closes a minute before the end of the move, and a little sooner.
    expect(
      timelineOf(plan('hanger', pots), { hurry: (ends - 0.99) / medium }).pots.map((s) => s.verdict),
    ).toEqual(['fits', 'fits']);
    expect(
      timelineOf(plan('hanger', pots), { hurry: (ends - 1.01) / medium }).pots.map((s) => s.verdict),
    ).toEqual(['sets-too-soon', 'sets-too-soon']);
  });

  it('the top waits until it is stiff, one pot after another, and embeds are laid on last', () => {
    const top = (name: string): Pot => ({ ...pot(name, 1), place: 'top' });
    const { pots, mould } = timelineOf(
      plan('piped-top', [pot('A', 1), top('B'), top('C')], { embeds: [bead({ onTop: true })] }),
    );
    const [, b, c] = pots;
    expect(b!.pourAt).toBeCloseTo(b!.window![0], 9);
    expect(c!.pourAt).toBe(b!.pouredAt);
    expect(mould.at(-1)).toMatchObject({ name: 'place the embeds on top', from: c!.pouredAt });
    const inside = timelineOf(plan('layers', [pot('A', 1)], { embeds: [bead()] }));
    expect(inside.mould.map((t) => t.name)).toEqual(['set the embeds']);
    expect(inside.pots[0]!.workedUntil).toBeGreaterThan(inside.pots[0]!.pouredAt);
  });

  it('another technique and a hurry change the windows, not the plan', () => {
    const slow = plan('embeds', [pot('A', 1)]);
    expect(timelineOf(slow, { design: ideaOf('layers').design }).pots[0]!.wants).toBe('medium');
    expect(timelineOf(slow, { design: emptyDesign }).pots[0]!.verdict).toBe('open');
    const [calm] = timelineOf(slow).pots;
    const [fast] = timelineOf(slow, { hurry: 0.5 }).pots;
    expect(fast!.window![0]).toBeCloseTo(calm!.window![0] / 2, 9);
  });

  it('no one has more than two hands: no task of the common batter runs beside another', () => {
    const anyPlan = fc
      .record({
        technique: fc.constantFrom(null, ...TECHNIQUES.map((t) => t.id)),
        pots: fc.array(
          fc.record({
            coloured: fc.boolean(),
            scented: fc.boolean(),
            top: fc.boolean(),
            clay: fc.nat(40),
          }),
          { minLength: 1, maxLength: 7 },
        ),
      })
      .map(({ technique, pots }) =>
        scented(
          technique ?? 'none',
          pots.map((p, i) => ({
            ...pot(`p${i}`, 1, ...(p.coloured ? [dose('kaolin', p.clay)] : [])),
            scented: p.scented,
            place: p.top ? ('top' as const) : ('mould' as const),
          })),
        ),
      );
    fc.assert(
      fc.property(anyPlan, (p) => {
        const { pots, pours, mould } = timelineOf(p);
        const all = [...pots.flatMap((s) => s.tasks), ...mould].sort((a, b) => a.from - b.from);
        for (const [i, task] of all.slice(1).entries())
          expect(task.from).toBeGreaterThanOrEqual(all[i]!.to - 1e-9);
        expect([...pours].sort()).toEqual(p.pots.map((x) => x.id).sort());
      }),
      { numRuns: 150 },
    );
  });
});

describe('a pot that is held at emulsion', () => {
  const slow = Array.from({ length: 8 }, (_, i) => pot(`P${i}`, 1, dose('kaolin', 5)));
  const held = (ids: readonly string[]): Plan => {
    const p = plan('funnel', slow);
    return { ...p, work: { ...p.work, day: { ...p.work.day, held: ids } } };
  };
  const last = (p: Plan): PotStep => timelineOf(p).pots.at(-1)!;

  it('is coloured right before its pour, and its clock runs from then on', () => {
    const step = last(held(['P7']));
    const [split, colour, pour] = step.tasks;
    expect(step.tasks.map((t) => t.kind)).toEqual(['split', 'colour', 'pour']);
    expect(colour!.to).toBe(pour!.from);
    expect(colour!.from).toBeGreaterThan(split!.to);
    // The window opens later by when it is blended.
    const free = last(held([])).window!;
    expect(step.window!.map((m) => Math.round((m - colour!.from) * 1e6) / 1e6)).toEqual(
      free.map((m) => Math.round(m * 1e6) / 1e6),
    );
  });

  it('no longer sets too soon where the whole row takes too long', () => {
    expect(last(held([])).verdict).toBe('sets-too-soon');
    expect(last(held(['P7'])).verdict).toBe('fits');
  });
});
