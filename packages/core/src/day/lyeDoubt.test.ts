import { flowOf } from '../balance/balance.ts';
import { seededRandom } from '../numerics/random.ts';
import { type Plan } from '../plan/plan.ts';
import { planWith, pot } from '../testing/plans.ts';
import { logEntry, type LogEntry } from './entry.ts';
import { holdOf, type LyeDoubt, lyeDoubts, openDoubts } from './lyeDoubt.ts';
import { lineMasses } from './weighedLine.ts';

let at = 0;
const said = (kind: LogEntry['kind'], target: string, value = 0, text = ''): LogEntry => {
  at++;
  return logEntry({ id: `${at}`, at, kind, target, value, text, by: kind === 'weighed' ? 'grams' : '' });
};
const weighed = (line: string, grams: number): LogEntry => said('weighed', line, grams);
const done = (step: string): LogEntry => said('done', step);
const doubt = (plan: Plan, ...log: LogEntry[]): LyeDoubt | undefined => lyeDoubts(plan, 0.1, log)[0];
const plain = planWith([pot('A', 1)]);
const [flow] = flowOf(plain).lyes;
const NAOH = 'naoh:common';

/*
 * An evaluator of its own: grams of lye and oils against saponification values, nothing from the rest of the project.
 * 39.997 g/mol NaOH, 56.105 g/mol KOH.
 */
const superfatOf = (naoh: number, oils: readonly (readonly [grams: number, sapKoh: number])[]): number =>
  100 * (1 - naoh / oils.reduce((sum, [g, sap]) => sum + (g * (sap / 1000) * 39.997) / 56.105, 0));

describe('what is asked about', () => {
  it.each([
    // 2 % of the lye, or 1.5 points of superfat, whichever comes first.
    // With a superfat of 5 % 1.5 points are 1.58 % of the lye.
    [NAOH, 1.0157, false],
    [NAOH, 1.0159, true],
    [NAOH, 0.9843, false],
    [NAOH, 0.9841, true],
    // 5 % of the line, or 1.5 points.
    ['oil:common:oil-castor', 1.049, false],
    ['oil:common:oil-castor', 1.051, true],
    ['liquid:common:water', 0.951, false],
    ['liquid:common:water', 0.949, true],
    // Olive is 40 % of the oils: 4 % of it are 1.5 points.
    ['oil:common:oil-olive', 0.97, false],
    ['oil:common:oil-olive', 0.95, true],
  ])('%s at × %d: %p', (line, factor, asked) => {
    const planned = lineMasses(plain, flow!).get(line)!;
    const found = doubt(plain, weighed(line, planned * factor));
    expect(found !== undefined && openDoubts([found]).length > 0).toBe(asked);
  });

  it('is 2 % of the lye where that comes first', () => {
    const rich = planWith([pot('A', 1)], { superfat: 30 });
    const { naoh } = flowOf(rich).lyes[0]!;
    for (const [factor, asked] of [
      [1.019, false],
      [1.021, true],
      [0.981, false],
      [0.979, true],
    ] as const)
      expect(lyeDoubts(rich, 0.1, [weighed(NAOH, naoh * factor)]).length > 0).toBe(asked);
  });

  it('is off by two divisions of the scale at least where it is small', () => {
    const small = planWith([pot('A', 1)], { totalOils: 20 as never });
    const castor = lineMasses(small, flowOf(small).lyes[0]!).get('oil:common:oil-castor')!;
    expect(castor).toBeCloseTo(1, 6);
    expect(lyeDoubts(small, 1, [weighed('oil:common:oil-castor', castor * 1.2)])).toEqual([]);
    expect(lyeDoubts(small, 0.1, [weighed('oil:common:oil-castor', castor * 1.21)])).toHaveLength(1);
  });

  it('is a sum of small ones too', () => {
    const planned = lineMasses(plain, flow!);
    const log = ['oil:common:oil-olive', 'oil:common:oil-coconut', 'oil:common:oil-lard'].map((line) =>
      weighed(line, planned.get(line)! * 0.977),
    );
    expect(doubt(plain, ...log)).toMatchObject({ lines: [] });
    expect(openDoubts([doubt(plain, ...log)!])).toHaveLength(1);
  });

  it('ends with another weighing that is right', () => {
    const planned = lineMasses(plain, flow!).get(NAOH)!;
    expect(doubt(plain, weighed(NAOH, 160), weighed(NAOH, planned))).toBeUndefined();
  });
});

it('names the likely slip from 15 % off on', () => {
  const planned = lineMasses(plain, flow!);
  const slipOf = (line: string, grams: number, ...more: LogEntry[]) =>
    doubt(plain, weighed(line, grams), ...more)?.lines.find((l) => l.line === line)?.slip;
  const naoh = planned.get(NAOH)!;
  const water = planned.get('liquid:common:water')!;
  expect(slipOf(NAOH, naoh / 28.35)).toBe('ounces-as-grams');
  expect(slipOf(NAOH, naoh * 28.35)).toBe('grams-as-ounces');
  expect(slipOf(NAOH, naoh / 1000)).toBe('kilograms-as-grams');
  expect(slipOf(NAOH, naoh * 10 * 1.02)).toBe('ten-times');
  expect(slipOf(NAOH, naoh / 10)).toBe('a-tenth');
  expect(slipOf(NAOH, naoh * 2)).toBe('twice');
  expect(slipOf(NAOH, naoh + water)).toBe('tare-left-in');
  expect(slipOf(NAOH, naoh * 1.14)).toBeNull();
  expect(slipOf(NAOH, naoh * 1.3)).toBeNull();
  const [olive, lard] = ['oil:common:oil-olive', 'oil:common:oil-lard'];
  expect(slipOf(olive, 0)).toBe('forgotten');
  expect(slipOf(olive, planned.get(lard)!, weighed(lard, planned.get(olive)!))).toBe('swapped');
});

describe('where the lye is', () => {
  it.each([
    [[], 'dry'],
    [['lye/lye:common'], 'vessel'],
    [['lye/lye:common', 'combine/combine'], 'oils'],
    [['lye/lye:common', 'combine/combine', 'split/batter:common'], 'split'],
  ] as const)('after %p it is %s', (steps, place) => {
    expect(doubt(plain, weighed(NAOH, 160), ...steps.map(done))).toMatchObject({ place });
  });
});

it('is mended by the grams that are printed, for 300 cases at three places, or is on hold', () => {
  const random = seededRandom(11);
  const places = [[], ['lye/lye:common'], ['lye/lye:common', 'combine/combine']] as const;
  let [mended, held, used] = [0, 0, 0];
  for (let i = 0; i < 300; i++) {
    const superfat = Math.round(random() * 9);
    const purity = 90 + Math.round(random() * 10);
    const oils = 200 + random() * 3000;
    const base = planWith([pot('A', 1)]).base;
    const plan = planWith([pot('A', 1)], {
      superfat,
      totalOils: oils as never,
      lye: { ...base.lye, naohPurity: purity },
    });
    const [lye] = flowOf(plan).lyes;
    const planned = lineMasses(plan, lye!);
    const masses = new Map(planned);
    const change = (line: string): LogEntry => {
      const grams = planned.get(line)! * (0.6 + random() * 0.9);
      masses.set(line, grams);
      return weighed(line, grams);
    };
    const kinds = [[NAOH], ['oil:common:oil-olive'], [NAOH, 'oil:common:oil-coconut']];
    const log = kinds[i % 3]!.map(change);
    const found = doubt(plan, ...log, ...places[Math.floor(i / 3) % 3]!.map(done));
    const sapOf = (line: string): number =>
      plan.materials.find((m) => `oil:common:${m.id}` === line)!.oil!.sapKoh!;
    const superfatOfAll = (): number =>
      superfatOf(
        (masses.get(NAOH)! * purity) / 100,
        [...masses].filter(([l]) => l.startsWith('oil:')).map(([l, g]) => [g, sapOf(l)] as const),
      );
    if (!found) {
      expect(Math.abs(superfatOfAll() - superfat)).toBeLessThan(1.5);
      continue;
    }
    expect(found.superfat).toBeCloseTo(superfatOfAll(), 6);
    if (found.mend) {
      mended++;
      // As they are printed, to a tenth of a gram; all of the solution or a part of it.
      for (const l of found.mend.lines) masses.set(l.line, masses.get(l.line)! + Number(l.add.toFixed(1)));
      if (found.mend.solution) {
        const { use, of, part } = found.mend.solution;
        expect(use).toBeCloseTo(of * part, 6);
        expect(part).toBeLessThan(1);
      }
      expect(Math.abs(superfatOfAll() - superfat)).toBeLessThan(0.2);
    } else if (holdOf(found) === 'below-zero') held++;
    else {
      // Too little lye in the oils is left as it is: nothing is added to it.
      used++;
      expect(found.place).toBe('oils');
      expect(found.superfat!).toBeGreaterThan(superfat);
      expect(holdOf(found)).toBe('not-answered');
    }
  }
  expect(mended).toBeGreaterThan(150);
  expect(mended + held + used).toBeGreaterThan(270);
});

describe('answers', () => {
  const wrong = weighed(NAOH, 160);
  it('settle a doubt until something is weighed anew', () => {
    const used = said('settled', 'common', 0, 'used');
    expect(openDoubts([doubt(plain, wrong)!])).toHaveLength(1);
    expect(doubt(plain, wrong, used)).toMatchObject({ answer: 'used' });
    expect(openDoubts([doubt(plain, wrong, used)!])).toEqual([]);
    expect(openDoubts([doubt(plain, wrong, used, weighed(NAOH, 170))!])).toHaveLength(1);
  });

  it('leave on hold what is below 0 %, was thrown away, or was never answered', () => {
    const naoh = flow!.naoh;
    const hold = (factor: number, text = '') =>
      holdOf(
        doubt(plain, weighed(NAOH, naoh * factor), ...(text ? [said('settled', 'common', 0, text)] : []))!,
      );
    expect(hold(1.03)).toBe('not-answered');
    expect(hold(1.03, 'used')).toBeNull();
    // 5 % superfat: 0 % at 1 / 0.95 of the lye.
    expect(hold(1 / 0.95 - 0.001, 'used')).toBeNull();
    expect(hold(1 / 0.95 + 0.001, 'used')).toBe('below-zero');
    expect(hold(0.5, 'thrown')).toBe('thrown');
  });
});
