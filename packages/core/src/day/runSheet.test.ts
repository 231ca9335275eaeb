import { sheetOf } from '../sheet/sheetOf.ts';
import { plainMould } from '../plan/moulding.ts';
import { type Plan } from '../plan/plan.ts';
import { fourPotLoaf, planWith, pot, dose, tenthGramScale } from '../testing/plans.ts';
import { plainPrinter } from '../units/printer.ts';
import { logEntry, type LogEntry } from './entry.ts';
import { neededLater } from './dayOrder.ts';
import { missingBefore, neededBy, progressOf } from './progress.ts';
import { runSheetOf } from './runSheet.ts';
import { type RunStep } from './step.ts';

const sheetFor = (plan: Plan) => sheetOf(plan, tenthGramScale, plainPrinter);
const runSheet = (plan: Plan): RunStep[] => runSheetOf(plan, sheetFor(plan));
const titles = (steps: readonly RunStep[]): string[] => steps.map((s) => s.title);
const step = (steps: readonly RunStep[], id: string): RunStep => steps.find((s) => s.id === id)!;
const entry = (id: string, kind: LogEntry['kind'], target: string, rest: Partial<LogEntry> = {}): LogEntry =>
  logEntry({ id, at: 0, kind, target, ...rest });

it('goes from the gathering to the last reading, one vessel at a time', () => {
  expect(titles(runSheet(fourPotLoaf()))).toEqual([
    'Gather: Colour',
    'Gather: And besides',
    'Cup 1: White',
    'Cup 2: Ochre',
    'Cup 3: Green',
    'Cup 4: Blue',
    'Label the cups and jugs',
    'Before the lye',
    'Lye',
    'Oils',
    'Bring them together',
    'Does the emulsion hold?',
    'Take the pots off',
    'Colour: White',
    'Colour: Ochre',
    'Colour: Green',
    'Colour: Blue',
    'Pour',
    'Swatches from the jugs',
    'After the pour',
    'Unmould',
    'Set the bars on the rack',
    'Read the bars after a day',
    'Read the bars after 7 days',
    'Read the bars after 28 days',
    'Read the bars after 42 days',
    'Finish the bars',
  ]);
});

it('leaves out nothing that the sheet says, and tells each caution once', () => {
  const plan = fourPotLoaf();
  const { sections } = sheetFor(plan);
  const steps = runSheet(plan);
  expect(steps.flatMap((s) => s.lines.map((l) => l.id))).toEqual(
    expect.arrayContaining(sections.flatMap((s) => s.groups.flatMap((g) => g.lines.map((l) => l.id)))),
  );
  for (const { id, cautions } of sections.filter((s) => s.cautions.length > 0)) {
    const told = steps.filter((s) => s.id.startsWith(`${id}/`) && s.cautions.length > 0);
    expect(told.map((s) => s.cautions)).toEqual([cautions]);
  }
  expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
});

it('the checklist stands before every lye, and each step needs what must be behind it', () => {
  const steps = runSheet(fourPotLoaf());
  expect(step(steps, 'lye/lye:common').needs).toEqual(['safety']);
  expect(step(steps, 'combine/combine').needs).toEqual(['lye/lye:common', 'oils/oils:common']);
  // A pot needs its own cup, and the batter taken off.
  expect(step(steps, 'colour/colour:White').needs).toEqual([
    'split/batter:common',
    'cups/cup:White',
    'label',
  ]);
  const own = planWith([{ ...pot('Ground', 1, dose('ultramarine-blue', 5)), ownLye: true }, pot('Sky', 1)]);
  const lyes = runSheet(own).filter((s) => s.id.startsWith('lye/'));
  expect(lyes).toHaveLength(2);
  for (const lye of lyes) expect(lye.needs).toEqual(['safety']);
});

it('cuts what is out of its mould', () => {
  const loaf = fourPotLoaf();
  const moulds = [{ id: 'm', count: 1, mould: plainMould('Loaf', 'box') }];
  const plan = { ...loaf, moulding: { ...loaf.moulding, moulds } };
  const at = titles(runSheet(plan));
  expect(at.indexOf('Cut')).toBe(at.indexOf('Unmould') + 1);
});

describe('a pour over several days', () => {
  const layer = (name: string, hoursBefore: number) => ({
    ...pot(name, 1, dose('ultramarine-blue', 3)),
    ownLye: true,
    hoursBefore,
  });
  const plan = planWith([layer('Top', 0), layer('Ground', 26), layer('Middle', 24.5)]);
  const steps = runSheet(plan);

  it('is cut into sittings, each with its own checklist, lye and pour', () => {
    const kinds = steps
      .filter((s) => s.sitting !== null && /^(safety|lye|pour)/.test(s.id))
      .map((s) => [s.sitting, s.id]);
    expect(kinds).toEqual([
      [0, 'safety'],
      [0, 'lye/lye:Ground'],
      [0, 'pour/pour'],
      [1, 'safety-1'],
      [1, 'lye/lye:Middle'],
      [1, 'pour/carries-1'],
      [1, 'pour/mist-1'],
      [1, 'pour/pour-1'],
      [2, 'safety-2'],
      [2, 'lye/lye:Top'],
      [2, 'pour/carries-2'],
      [2, 'pour/mist-2'],
      [2, 'pour/pour-2'],
      [2, 'pour/scrapes'],
    ]);
    expect(step(steps, 'lye/lye:Middle').needs).toEqual(['safety-1']);
    expect(step(steps, 'pour/pour-1').needs).toEqual(['colour/colour:Middle', 'split/batter:Middle']);
    expect(step(steps, 'unmould').needs).toEqual(expect.arrayContaining(['pour/pour', 'pour/pour-2']));
  });

  it('pours that knit by themselves are one', () => {
    const close = planWith([layer('Top', 0), layer('Ground', 1)]);
    expect(runSheet(close).filter((s) => s.kind === 'safety')).toHaveLength(1);
    const apart = planWith([layer('Top', 0), layer('Ground', 1.01)]);
    expect(runSheet(apart).filter((s) => s.kind === 'safety')).toHaveLength(2);
  });
});

describe('changes of the day', () => {
  const changed = (day: Partial<Plan['work']['day']>): RunStep[] => {
    const loaf = fourPotLoaf();
    return runSheet({ ...loaf, work: { ...loaf.work, day: { ...loaf.work.day, ...day } } });
  };

  it('moves a step, and tells what it needs that now comes later', () => {
    const ids = runSheet(fourPotLoaf()).map((s) => s.id);
    const oilsFirst = ['oils/oils:common', ...ids.filter((id) => id !== 'oils/oils:common')];
    const steps = changed({ order: oilsFirst });
    expect(steps.map((s) => s.id)).toEqual(oilsFirst);
    expect(neededLater(steps[0]!, steps)).toEqual([]);
    const early = changed({
      order: ['colour/colour:White', ...ids.filter((id) => id !== 'colour/colour:White')],
    });
    expect(titles(neededLater(early[0]!, early))).toEqual([
      'Cup 1: White',
      'Label the cups and jugs',
      'Take the pots off',
    ]);
  });

  it('steps that are not in the order keep their place behind what they follow', () => {
    const steps = changed({ order: ['oils/oils:common', 'lye/lye:common'] }).map((s) => s.id);
    expect(steps.indexOf('oils/oils:common')).toBeLessThan(steps.indexOf('lye/lye:common'));
    expect(steps[steps.indexOf('oils/oils:common') + 1]).toBe('combine/combine');
    expect(steps).toHaveLength(runSheet(fourPotLoaf()).length);
  });

  it('adds a step after another, first, or last where that one is gone; names who does it', () => {
    const steps = changed({
      added: [
        { id: 'a', title: 'Photo of the pots', text: 'From above', after: 'colour/colour:Blue' },
        { id: 'b', title: 'Close the window', text: '', after: '' },
        { id: 'c', title: 'Sweep', text: '', after: 'gone' },
      ],
      helpers: [{ stepId: 'own/a', name: 'Second pair of hands' }],
    });
    const at = titles(steps);
    expect(at[0]).toBe('Close the window');
    expect(at[at.indexOf('Photo of the pots') - 1]).toBe('Colour: Blue');
    expect(at.at(-1)).toBe('Sweep');
    expect(step(steps, 'own/a')).toMatchObject({
      helper: 'Second pair of hands',
      lines: [{ what: 'From above' }],
    });
  });

  it('a pot that is held at emulsion is coloured right before the pour', () => {
    const at = titles(changed({ held: ['White'] }));
    expect(at[at.indexOf('Pour') - 1]).toBe('Colour: White');
    expect(step(changed({ held: ['White'] }), 'colour/colour:White').lines[0]!.what).toContain(
      'Held at emulsion',
    );
  });
});

it('says how long each step takes by the plan', () => {
  const steps = runSheet(fourPotLoaf());
  expect(step(steps, 'split/batter:common').minutes).toBe(4);
  expect(step(steps, 'pour/pour').minutes).toBe(8);
  expect(step(steps, 'colour/colour:White').minutes).toBe(2);
});

it('an empty plan has no steps', () => {
  expect(runSheet({ ...fourPotLoaf(), pots: [], base: { ...fourPotLoaf().base, oils: [] } })).toEqual([]);
});

describe('how far the day has come', () => {
  const steps = runSheet(fourPotLoaf());
  const first = steps[0]!;
  const second = steps[1]!;

  it('begins with the first step, and goes on from what is done or left out', () => {
    expect(progressOf(steps, [])).toMatchObject({ current: first, next: second, full: null, timers: [] });
    const log = [entry('a', 'done', first.id), entry('b', 'skipped', second.id, { text: 'not needed' })];
    const progress = progressOf(steps, log);
    expect(progress.current).toBe(steps[2]);
    expect([...progress.skipped]).toEqual([[second.id, 'not needed']]);
    // Taken back, it is to do again.
    expect(progressOf(steps, [...log, entry('c', 'voided', 'a')]).current).toBe(first);
    const all = steps.map((s, i) => entry(`d${i}`, 'done', s.id));
    expect(progressOf(steps, all)).toMatchObject({ current: null, next: null });
  });

  it('knows what a step lacks, and what lacks a step that is left out', () => {
    const lye = step(steps, 'lye/lye:common');
    expect(titles(missingBefore(lye, steps, progressOf(steps, [])))).toEqual(['Before the lye']);
    const ready = progressOf(steps, [entry('a', 'done', 'safety')]);
    expect(missingBefore(lye, steps, ready)).toEqual([]);
    expect(titles(neededBy(lye, steps, ready))).toEqual(['Bring them together', 'Does the emulsion hold?']);
    expect(neededBy(step(steps, 'read-42'), steps, ready)).toEqual([]);
  });

  it('timers end by the clock of who started them, whatever was closed meanwhile', () => {
    const log = [entry('t', 'timed', 'combine/combine', { at: 1000, value: 2, text: 'Holds?' })];
    expect(progressOf(steps, log).timers).toEqual([{ id: 't', label: 'Holds?', minutes: 2, ends: 121_000 }]);
    expect(progressOf(steps, [...log, entry('v', 'voided', 't', { at: 2000 })]).timers).toEqual([]);
  });

  it('of each line the last weight counts', () => {
    const log = [
      entry('a', 'weighed', 'naoh:common', { value: 140 }),
      entry('b', 'weighed', 'naoh:common', { value: 145, at: 1 }),
    ];
    expect([...progressOf(steps, log).weighed]).toEqual([['naoh:common', 145]]);
  });

  it('the last decision counts', () => {
    const decided = (value: number, at: number) => entry(`x${at}`, 'decided', '', { value, at });
    expect(progressOf(steps, [decided(1, 1)]).full).toBe(true);
    expect(progressOf(steps, [decided(1, 1), decided(0, 2)]).full).toBe(false);
  });
});
