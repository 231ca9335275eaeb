import fc from 'fast-check';
import { printerFor } from './printer.ts';
import {
  LENGTH_UNITS,
  lengthFromUnit,
  lengthInUnit,
  MASS_UNITS,
  massFromUnit,
  massInUnit,
  metricUnits,
  TEMPERATURE_UNITS,
  temperatureFromUnit,
  temperatureInUnit,
} from './view.ts';

describe('units are views', () => {
  it('known amounts', () => {
    expect(massInUnit(453.59237, 'lb')).toBeCloseTo(1, 12);
    expect(massInUnit(28.349523125, 'oz')).toBeCloseTo(1, 12);
    expect(massFromUnit(1.5, 'kg')).toBe(1500);
    expect(lengthInUnit(254, 'in')).toBe(10);
    expect(temperatureInUnit(100, 'F')).toBe(212);
    expect(temperatureFromUnit(32, 'F')).toBe(0);
  });

  it('there and back', () => {
    const value = fc.double({ min: -1e5, max: 1e5, noNaN: true });
    fc.assert(
      fc.property(
        value,
        fc.constantFrom(...MASS_UNITS),
        fc.constantFrom(...LENGTH_UNITS),
        fc.constantFrom(...TEMPERATURE_UNITS),
        (v, mass, length, temperature) => {
          const near = (got: number): void => {
            expect(Math.abs(got - v)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(v)));
          };
          near(massFromUnit(massInUnit(v, mass), mass));
          near(lengthFromUnit(lengthInUnit(v, length), length));
          near(temperatureFromUnit(temperatureInUnit(v, temperature), temperature));
        },
      ),
    );
  });

  it('says figures with their unit, point or comma', () => {
    const print = printerFor(metricUnits);
    expect(print.mass(143.306)).toBe('143.3 g');
    expect(print.mass(143.306, true)).toBe('143 g');
    expect(print.length(65)).toBe('65 mm');
    expect(print.volume(1300.4)).toBe('1300 ml');
    const imperial = printerFor({
      mass: 'oz',
      length: 'in',
      temperature: 'F',
      decimalMark: 'comma',
      currency: 'kr',
    });
    expect(imperial.mass(143.306)).toBe('5,055 oz');
    expect(imperial.volume(1300.4)).toBe('44 fl oz');
    expect(imperial.volume(30)).toBe('1,01 fl oz');
    expect(imperial.money(3.5)).toBe('3,50 kr');
    expect(print.money(3.5)).toBe('3.50');
    expect(imperial.length(65)).toBe('2,56 in');
    expect(imperial.temperature(32)).toBe('90 °F');
    expect(imperial.percent(33.3)).toBe('33,3 %');
  });
});
