import * as fc from 'fast-check';
import { type ReaderError, SimulatedColourReader, type Surface } from './colourReader.ts';
import { LineReader, scaleLine, thermometerLine } from './line.ts';
import { RestWatch } from './reading.ts';
import { SimulatedScale, SimulatedThermometer } from './simulated.ts';

describe('lines of a scale', () => {
  it.each([
    ['ST,GS,+  123.4 g', 123.4, true],
    ['US,GS,-   12.3 g', -12.3, false],
    ['  250', 250, null],
    ['250,5 g', 250.5, null],
    ['+ 0.2715 kg', 271.5, null],
    ['S S      100.00 g', 100, true],
    ['S D      100.00 g', 100, false],
    ['1 lb', 453.59237, null],
    ['.5 oz', 14.1747615625, null],
    ['12.3 g ?', 12.3, false],
  ])('%s', (text, grams, steady) => {
    const reading = scaleLine(text);
    expect(reading).toMatchObject({ steady, overload: false });
    expect(reading!.value).toBeCloseTo(grams, 6);
  });

  it('says when it is too full, and takes nothing for a reading that is none', () => {
    for (const full of ['OL', 'ST,OL', 'OVER', 'Err', '-----', 'E1'])
      expect(scaleLine(full)).toMatchObject({ overload: true });
    for (const none of ['', 'hello', '12 apples', '31.5 C', '\u0000\u0001'])
      expect(scaleLine(none)).toBeNull();
  });

  it('is a number or nothing, whatever comes', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 60 }), (text) => {
        const reading = scaleLine(text);
        return reading === null || Number.isFinite(reading.value);
      }),
    );
  });
});

it('lines of a thermometer come in °C', () => {
  expect(thermometerLine('31.5 C')).toMatchObject({ value: 31.5 });
  expect(thermometerLine('31,5')).toMatchObject({ value: 31.5 });
  expect(thermometerLine('+88.7 °F')!.value).toBeCloseTo(31.5, 6);
  expect(thermometerLine('12 g')).toBeNull();
});

describe('pieces', () => {
  it('become lines, the last of which counts', () => {
    const reader = new LineReader();
    expect(reader.add('ST,GS,+  12')).toBeNull();
    expect(reader.add('3.4 g\r\nST,GS,+ 124.0 g\r\nST,')).toBe('ST,GS,+ 124.0 g');
    expect(reader.add('GS,+ 125.0 g\n')).toBe('ST,GS,+ 125.0 g');
  });

  it('a flood without end is not kept', () => {
    const reader = new LineReader();
    for (let i = 0; i < 1000; i++) expect(reader.add('9'.repeat(1000))).toBeNull();
    expect(reader.add(`${'9'.repeat(500)}\n12 g\n`)).toBe('12 g');
  });
});

it('rest is readings within a step for most of a second', () => {
  const watch = new RestWatch(0.1);
  const at = (ms: number, value: number): boolean => watch.add(value, ms);
  expect([at(0, 5), at(400, 5.1), at(799, 5)]).toEqual([false, false, false]);
  expect(at(800, 5)).toBe(true);
  expect(at(900, 5.3)).toBe(false);
  expect([at(1300, 5.3), at(1701, 5.3)]).toEqual([false, true]);
});

describe('a simulated scale', () => {
  const scale = (): SimulatedScale => new SimulatedScale({ division: 0.1, capacity: 5000, seed: 7 });
  const run = (s: SimulatedScale, from: number, to: number) => {
    let last = s.read(from);
    for (let at = from + 100; at <= to; at += 100) last = s.read(at);
    return last;
  };

  it('takes its time, settles within a step or two, and says so', () => {
    const s = scale();
    run(s, 0, 2000);
    s.load = 250;
    expect(s.read(2100).steady).toBe(false);
    expect(s.read(2200).value).toBeLessThan(250);
    const settled = run(s, 2300, 8000);
    expect(Math.abs(settled.value - 250)).toBeLessThanOrEqual(0.2);
  });

  it('tares what lies on it, and is negative when that is taken off', () => {
    const s = scale();
    s.load = 400;
    run(s, 0, 6000);
    s.tare();
    expect(Math.abs(run(s, 6100, 7000).value)).toBeLessThanOrEqual(0.2);
    s.load = 0;
    expect(run(s, 7100, 12_000).value).toBeLessThan(-399);
  });

  it('is overloaded beyond what it bears', () => {
    const s = scale();
    s.load = 5001;
    expect(s.read(0)).toMatchObject({ overload: true, steady: false });
    s.load = 5000;
    expect(s.read(100).overload).toBe(false);
  });

  it('drifts by a few steps in an hour', () => {
    const s = scale();
    s.load = 100;
    run(s, 0, 6000);
    const hour = s.read(3_600_000).value - 100;
    expect(hour).toBeGreaterThan(0.5);
    expect(hour).toBeLessThan(5);
  });
});

it('a simulated thermometer comes to what it is held into', () => {
  const t = new SimulatedThermometer(38, 3);
  expect(t.read(0).value).toBeLessThan(22);
  let last = t.read(100);
  for (let at = 200; at < 12_000; at += 200) last = t.read(at);
  expect(last.value).toBeCloseTo(38, 0);
  expect(last.steady).toBe(true);
});

describe('a simulated colour reader', () => {
  const grey = new Array<number>(36).fill(0.4);
  const readerOn = (first: Surface, charge = 1) => {
    let surface = first;
    const reader = new SimulatedColourReader({ surface: () => surface, seed: 5, charge });
    const onto = (next: Surface): void => {
      surface = next;
    };
    return { reader, onto };
  };
  const problemOf = async (work: Promise<unknown>): Promise<string> => {
    try {
      await work;
      return 'none';
    } catch (error) {
      return (error as ReaderError).problem;
    }
  };

  it('measures near the truth, and not twice the same', async () => {
    const { reader, onto } = readerOn('tile');
    await reader.calibrate();
    onto(grey);
    const [a, b] = [await reader.measure(), await reader.measure()];
    expect(a.spectrum).toHaveLength(36);
    a.spectrum.forEach((r) => expect(Math.abs(r - 0.4)).toBeLessThan(0.015));
    expect(a.spectrum).not.toEqual(b.spectrum);
    expect(a.repeats).toHaveLength(3);
  });

  it.each<[string, Surface, number, string]>([
    ['lifted off', null, 1, 'not-on-surface'],
    ['left on its tile', 'tile', 1, 'not-on-surface'],
    ['on something rough', 'rough', 1, 'moved'],
    ['with an empty battery', grey, 0.031, 'battery-low'],
  ])('gives nothing %s', async (_, surface, charge, problem) => {
    const { reader, onto } = readerOn('tile', charge);
    await reader.calibrate();
    onto(surface);
    expect(await problemOf(reader.measure())).toBe(problem);
  });

  it('wants its tile first, and says when it is pulled out', async () => {
    const { reader, onto } = readerOn(grey);
    expect(await problemOf(reader.measure())).toBe('not-calibrated');
    expect(await problemOf(reader.calibrate())).toBe('not-on-tile');
    onto('tile');
    await reader.calibrate();
    expect(reader.isCalibrated).toBe(true);
    onto(grey);
    reader.plugged = false;
    expect(await problemOf(reader.measure())).toBe('unplugged');
    reader.plugged = true;
    expect(await problemOf(reader.measure())).toBe('none');
  });
});
