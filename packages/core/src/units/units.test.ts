import fc from 'fast-check';
import { SPOONS } from './spoons.ts';
import { DOSE_UNITS, doseFromUnit, doseInUnit, doseUnitProblem, teaspoonsOf } from './dose.ts';
import { levelSpoons, measurableNear, measure, roundToDivision } from './measure.ts';
import { parseNumber, poundsOf } from './parseNumber.ts';
import { printerFor } from './printer.ts';
import { MASS_UNITS, massDigits } from './view.ts';
import { metricUnits } from './view.ts';
import { printFixed, printNumber, printSignificant, printSpoonSum } from './print.ts';
import { doseOfMass, grams, gramsPerKg, massOfDose, millilitres } from './quantity.ts';
import { nearestSpoonSum, spoonVolume } from './spoons.ts';

const context = { potOils: grams(250), bulkDensity: 0.5, spoons: 'us' as const };

describe('doses', () => {
  it('1 g/kg is 0.1 % of oils and 0.4536 g in a pound', () => {
    expect(doseFromUnit(0.1, 'percent', context)).toBeCloseTo(1, 12);
    expect(massOfDose(gramsPerKg(1), grams(453.59237))).toBeCloseTo(0.4536, 4);
  });

  it('a level US teaspoon per pound of a 0.5 g/ml powder is 5.433 g/kg', () => {
    // 4.92892 ml × 0.5 g/ml = 2.46446 g per 453.592 g oils; × 1000 / 453.592 = 5.4332
    expect(doseFromUnit(1, 'tsp-per-lb', context)).toBeCloseTo(5.4332, 3);
    expect(doseFromUnit(1, 'tsp-per-kg', context)).toBeCloseTo(2.46446, 4);
  });

  it('2 g in a pot of 250 g oils is 8 g/kg', () => {
    expect(doseFromUnit(2, 'g-pot', context)).toBe(8);
    expect(doseOfMass(grams(2), grams(250))).toBe(8);
  });

  it('round-trips in every unit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DOSE_UNITS),
        fc.double({ min: 0, max: 500, noNaN: true }),
        (unit, value) => {
          expect(doseInUnit(doseFromUnit(value, unit, context), unit, context)).toBeCloseTo(value, 8);
        },
      ),
    );
  });

  it('says why a unit cannot be used', () => {
    expect(doseUnitProblem('tsp-per-lb', { ...context, bulkDensity: null })).toBe('density-unknown');
    expect(doseUnitProblem('g-pot', { ...context, potOils: grams(0) })).toBe('pot-empty');
    expect(() => doseFromUnit(1, 'g-pot', { ...context, potOils: grams(0) })).toThrow('pot-empty');
    expect(() => doseOfMass(grams(1), grams(0))).toThrow('A dose needs some oils to refer to');
  });

  it('teaspoons of a mass need a density', () => {
    expect(teaspoonsOf(grams(2.46446), 0.5, 'us')).toBeCloseTo(1, 4);
    expect(teaspoonsOf(grams(1), null, 'us')).toBeNull();
  });
});

describe('spoons', () => {
  it('knows the three customs', () => {
    expect(spoonVolume('tbsp', 'us')).toBeCloseTo(14.787, 3);
    expect(spoonVolume('tbsp', 'metric')).toBe(15);
    expect(spoonVolume('tbsp', 'australian')).toBe(20);
    expect(spoonVolume('tsp-1/64', 'metric')).toBeCloseTo(5 / 64, 12);
  });

  it('sums what is owned', () => {
    const sum = nearestSpoonSum(millilitres(5 * 1.75), SPOONS, 'metric');
    expect(printSpoonSum(sum)).toBe('1 tsp + ½ tsp + ¼ tsp');
    expect(nearestSpoonSum(millilitres(30), SPOONS, 'metric').spoons).toEqual([{ spoon: 'tbsp', count: 2 }]);
    expect(printSpoonSum(nearestSpoonSum(millilitres(2.5), ['tsp-1/4'], 'metric'))).toBe('2 × ¼ tsp');
    expect(printSpoonSum(nearestSpoonSum(millilitres(0.01), SPOONS, 'metric'))).toBe(
      'less than the smallest spoon',
    );
  });

  it('takes two spoonfuls within a twentieth, else the best of three, tried one by one', () => {
    const sizes = [0, ...SPOONS.map((s) => spoonVolume(s, 'us'))];
    const pairs = sizes.flatMap((a) => sizes.map((b) => a + b));
    const sums = pairs.flatMap((a) => sizes.map((b) => a + b));
    const least = (of: readonly number[], ml: number) => Math.min(...of.map((s) => Math.abs(s - ml)));
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4000 }), (hundredths) => {
        const ml = hundredths / 100;
        const { volume, spoons } = nearestSpoonSum(millilitres(ml), SPOONS, 'us');
        const few = least(pairs, ml) <= 0.05 * ml;
        expect(Math.abs(volume - ml)).toBeCloseTo(least(few ? pairs : sums, ml), 9);
        expect(spoons.reduce((n, s) => n + s.count, 0)).toBeLessThanOrEqual(few ? 2 : 3);
      }),
      { numRuns: 100 },
    );
    // The quarter more is 2 % short, which no hand sees.
    expect(printSpoonSum(nearestSpoonSum(millilitres(6.4), SPOONS, 'metric'))).toBe('1 tsp + ¼ tsp');
  });

  it('takes whole tablespoons of what is more than three', () => {
    expect(printSpoonSum(nearestSpoonSum(millilitres(15 * 6 + 5), SPOONS, 'metric'))).toBe('6 tbsp + 1 tsp');
  });

  it('needs a spoon and a volume', () => {
    expect(() => nearestSpoonSum(millilitres(1), [], 'us')).toThrow('No spoons owned');
    expect(() => nearestSpoonSum(millilitres(NaN), SPOONS, 'us')).toThrow(
      'A volume is a number of ml from 0 up',
    );
  });
});

describe('measuring', () => {
  const scale = {
    by: 'scale',
    scaleDivision: 0.1,
    spoons: 'us',
    ownedSpoons: SPOONS,
    ...levelSpoons,
  } as const;

  it('rounds to the scale and tells by how much', () => {
    const m = measure(grams(1.875), 0.7, scale);
    expect(m.mass).toBe(1.9);
    expect(m.relativeError).toBeCloseTo(0.01333, 4);
    expect(roundToDivision(grams(0.30000000000000004), 0.1)).toBe(0.3);
    expect(roundToDivision(grams(2.5), 1)).toBe(3);
  });

  it('calls under two divisions too small, and two divisions enough', () => {
    expect(measure(grams(0.19), null, scale).tooSmall).toBe(true);
    expect(measure(grams(0.2), null, scale).tooSmall).toBe(false);
    expect(measure(grams(0), null, scale).tooSmall).toBe(false);
  });

  it('uses spoons where the density is known and the scale where it is not', () => {
    const spoons = { ...scale, by: 'spoons' } as const;
    const m = measure(grams(2.46446), 0.5, spoons);
    expect(m.spoonSum?.spoons).toEqual([{ spoon: 'tsp', count: 1 }]);
    expect(measure(grams(2.46), null, spoons)).toMatchObject({ mass: 2.5, spoonSum: null });
  });

  it('rounded and heaped spoons hold more, by what this maker weighed', () => {
    const spoons = { ...scale, by: 'spoons', spoons: 'metric', ownedSpoons: ['tsp', 'tsp-1/2'] } as const;
    // 0.5 g/ml: a level teaspoon is 2.5 g, a rounded one 3.75, a heaped one 5
    const said = (wanted: number, change: object): [string, number] => {
      const m = measure(grams(wanted), 0.5, { ...spoons, ...change });
      return [printSpoonSum(m.spoonSum!), m.mass];
    };
    expect(said(2.5, {})).toEqual(['1 tsp', 2.5]);
    expect(said(3.75, { filled: 'rounded' })).toEqual(['1 tsp, rounded', expect.closeTo(3.75, 9)]);
    expect(said(5, { filled: 'heaped' })).toEqual(['1 tsp, heaped', expect.closeTo(5, 9)]);
    expect(said(6.5, { filled: 'heaped', heaped: 2.6 })).toEqual(['1 tsp, heaped', expect.closeTo(6.5, 9)]);
    // Half of the half spoon, heaped, is 1.25 g: below it nothing can be measured, from it on one is taken.
    const half = (wanted: number) => measure(grams(wanted), 0.5, { ...spoons, filled: 'heaped' });
    expect(half(1.24).tooSmall).toBe(true);
    expect(half(1.26)).toMatchObject({ tooSmall: false, mass: expect.closeTo(2.5, 9) });
    expect(measurableNear(grams(5), 0.5, { ...spoons, filled: 'heaped' })).toEqual(
      [0, 2.5, 5, 7.5].map((g) => expect.closeTo(g, 9)),
    );
  });
});

describe('typed numbers', () => {
  const range = { min: 0, max: 1000 };
  it.each([
    ['2.5', 2.5],
    ['2,5', 2.5],
    [' 1/4 ', 0.25],
    ['1 1/2', 1.5],
    ['1½', 1.5],
    ['½', 0.5],
    ['.5', 0.5],
    ['7.', 7],
  ])('reads %j', (text, value) => {
    expect(parseNumber(text, range)).toEqual({ ok: true, value });
  });

  it.each([
    ['', 'empty'],
    ['   ', 'empty'],
    ['abc', 'not-a-number'],
    ['NaN', 'not-a-number'],
    ['Infinity', 'not-a-number'],
    ['1e9', 'not-a-number'],
    ['1,234.5', 'not-a-number'],
    ['1/0', 'not-a-number'],
    ['-1', 'too-small'],
    ['−1', 'too-small'],
    ['1000.1', 'too-large'],
    ['9'.repeat(400), 'not-a-number'],
  ])('refuses %j', (text, problem) => {
    expect(parseNumber(text, range)).toEqual({ ok: false, problem });
  });

  it.each([
    ['1,000', 'point', null],
    ['12,500', 'point', null],
    ['1.000', 'point', 1],
    ['1,5', 'point', 1.5],
    ['0,125', 'point', 0.125],
    ['1.000', 'comma', null],
    ['1,000', 'comma', 1],
    ['1.50', 'comma', 1.5],
  ] as const)('%s with a decimal %s: asked where it could be one or one thousand', (text, mark, value) => {
    expect(parseNumber(text, { min: 0, max: 1e6 }, mark)).toEqual(
      value === null ? { ok: false, problem: 'ambiguous' } : { ok: true, value },
    );
  });
});

describe('printed numbers', () => {
  it('drops trailing zeros, or keeps them in columns', () => {
    expect(printNumber(2.5, 2)).toBe('2.5');
    expect(printNumber(10, 2)).toBe('10');
    expect(printFixed(2.5, 2, 'comma')).toBe('2,50');
    expect(printNumber(-1.5, 1)).toBe('−1.5');
    expect(printNumber(-0.001, 1)).toBe('0');
  });

  it('spans decades by significant figures', () => {
    expect(printSignificant(0.0123, 2)).toBe('0.012');
    expect(printSignificant(1.875, 3)).toBe('1.88');
    expect(printSignificant(123.4, 3)).toBe('123');
    expect(printSignificant(0, 3)).toBe('0');
  });

  it('never prints NaN', () => {
    expect(printNumber(NaN, 1)).toBe('–');
    expect(printFixed(Infinity, 1)).toBe('–');
    expect(printSignificant(NaN, 2)).toBe('–');
  });
});

describe('kilograms', () => {
  const kilos = (division = 0.1) => printerFor({ ...metricUnits, mass: 'kg' }, division);
  it.each([
    [12.6, '12.6 g'],
    [0.4, '0.4 g'],
    [999.9, '999.9 g'],
    [1000, '1.0000 kg'],
    [1234.56, '1.2346 kg'],
    [-12.6, '−12.6 g'],
  ])('%s g is %s', (g, text) => {
    expect(kilos().mass(g)).toBe(text);
  });
  it('is as fine as the scale', () => {
    expect(kilos(1).mass(1234.56)).toBe('1.235 kg');
    expect(kilos(0.01).mass(1234.567)).toBe('1.23457 kg');
    expect(kilos().mass(1234.56, true)).toBe('1.235 kg');
    expect(kilos().fine(12.6)).toBe('12.6 g');
  });
});

describe('pounds and ounces', () => {
  const imperial = printerFor({ ...metricUnits, mass: 'lb' });
  it.each([
    [453.59237, '1 lb 0.000 oz'],
    [1000, '2 lb 3.274 oz'],
    [143.306, '5.055 oz'],
    [453.58, '1 lb 0.000 oz'],
    [453.56, '15.999 oz'],
    [0, '0.000 oz'],
    [-1000, '−2 lb 3.274 oz'],
  ])('%s g is %s', (g, text) => {
    expect(imperial.mass(g)).toBe(text);
  });
  it('drops the last decimal where it says nothing', () => {
    expect(imperial.mass(1000, true)).toBe('2 lb 3.27 oz');
  });
  it('leaves less than 10 g in grams, as the scale shows them', () => {
    expect(imperial.fine(9.99)).toBe('10.0 g');
    expect(imperial.fine(0.456)).toBe('0.46 g');
    expect(imperial.fine(10)).toBe('0.353 oz');
    expect(printerFor(metricUnits, 1).fine(3.26)).toBe('3.3 g');
  });
  it('is as fine as the scale, and no finer', () => {
    expect(printerFor({ ...metricUnits, mass: 'lb' }, 1).mass(1000)).toBe('2 lb 3.27 oz');
    expect(printerFor({ ...metricUnits, mass: 'oz' }, 1).mass(1000)).toBe('35.27 oz');
    expect(printerFor({ ...metricUnits, mass: 'oz' }, 0.01).mass(12.6)).toBe('0.4445 oz');
    // A step of 0.01 oz is 0.28 g, of 0.001 oz 0.028 g.
    for (const division of [0.01, 0.1, 1])
      expect(28.349523125 * 10 ** -massDigits('oz', division)).toBeLessThanOrEqual(division);
  });
  it('weighs powders and carriers in grams in every unit', () => {
    for (const mass of MASS_UNITS) {
      const print = printerFor({ ...metricUnits, mass });
      expect(print.grams(24.04)).toBe('24.0 g');
      expect(print.grams(1.25)).toBe('1.3 g');
      expect(print.grams(0.256)).toBe('0.26 g');
    }
  });
  it.each([
    ['2 lb 3.5 oz', 2 + 3.5 / 16],
    ['2lb', 2],
    [' 35 oz ', 35 / 16],
    ['1 lbs 8,5 oz.', 1 + 8.5 / 16],
    ['2.2', null],
    ['', null],
    ['lb', null],
    ['2 lb 3', null],
  ])('reads %s', (text, pounds) => {
    expect(poundsOf(text)).toBe(pounds);
  });
});
