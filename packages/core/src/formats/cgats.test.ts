import fc from 'fast-check';
import { adaptD50ToD65 } from '../colour/adapt.ts';
import { spectrumFrom, wavelengths } from '../colour/bands.ts';
import { labD65FromReflectance } from '../colour/lab.ts';
import { bandOf, parseCgats, printCgats } from './cgats.ts';
import { FormatError } from './paletteFile.ts';
import { resample } from './resample.ts';
import { decodeText } from './text.ts';

/** A file as instruments write it: bands from `from` to `to`, one row a spectrum. */
function file(
  rows: readonly (readonly (number | string)[])[],
  {
    from = 380,
    to = 730,
    step = 10,
    name = (nm: number) => `SPECTRAL_NM${nm}`,
    head = '',
    sets = rows.length,
  } = {},
): string {
  const bands = Array.from({ length: (to - from) / step + 1 }, (_, i) => name(from + i * step));
  return `CGATS.17
ORIGINATOR "Reader"
${head}
NUMBER_OF_FIELDS ${bands.length + 1}
BEGIN_DATA_FORMAT
SAMPLE_ID ${bands.join('\t')}
END_DATA_FORMAT
NUMBER_OF_SETS ${sets}
BEGIN_DATA
${rows.map((r, i) => `A${i + 1}\t${r.join('\t')}`).join('\n')}
END_DATA
`;
}
const flat = (v: number | string, count = 36): (number | string)[] => Array.from({ length: count }, () => v);

describe('spectra as text', () => {
  it('knows the names that instruments give their bands, and no others', () => {
    expect(
      ['SPEC_380', 'SPECTRAL_NM380', 'spectral_nm_730', 'NM_550', 'R_400', 'SPEC400NM'].map(bandOf),
    ).toEqual([380, 380, 730, 550, 400, 400]);
    expect(['RGB_R', 'LAB_L', 'SAMPLE_ID', 'R_12', 'SPEC_9999', 'XYZ_X'].map(bandOf)).toEqual(
      flat(null as never, 6),
    );
  });

  it('reads fractions and percent, points and commas, remarks and any line end', () => {
    const [one] = parseCgats(file([flat(0.25)])).samples;
    expect(one).toMatchObject({ name: 'A1', lab: null });
    expect([...one!.spectrum!]).toEqual(flat(0.25));
    const percent = parseCgats(file([flat('25,0'), flat('3,5')]).replaceAll('\n', '\r\n'));
    expect(percent.samples[1]!.spectrum![10]).toBeCloseTo(0.035, 12);
    expect(percent.notes).toContain('The spectra are in percent.');
    const remarked = file([flat(0.5)]).replace('BEGIN_DATA\n', '# a remark, "not closed\nBEGIN_DATA\n');
    expect(parseCgats(remarked.replaceAll('\n', '\r')).samples).toHaveLength(1);
  });

  it('fills in what lies between and beyond, and says so', () => {
    const sine = (nm: number): number => 0.4 + 0.2 * Math.sin(nm / 60);
    const rows = [Array.from({ length: 16 }, (_, i) => sine(400 + i * 20))];
    const { samples, notes } = parseCgats(
      file(rows, { from: 400, to: 700, step: 20, name: (nm) => `SPEC_${nm}` }),
    );
    wavelengths.forEach((nm, b) => {
      const there = Math.min(700, Math.max(400, nm));
      expect(samples[0]!.spectrum![b]).toBeCloseTo(sine(there), 2);
    });
    expect(notes).toEqual([
      'Bands between those of the file are drawn smoothly through them.',
      'Beyond 400 and 700 nm the spectra go on as they end.',
    ]);
  });

  it('a spectrum on its own bands comes through as it is', () => {
    const s = spectrumFrom((nm) => nm / 1000);
    expect(resample(wavelengths, [...s])).toEqual(s);
  });

  it('reads Lab for the white that the file names', () => {
    const text = (
      head: string,
    ): string => `CGATS.17\n${head}\nBEGIN_DATA_FORMAT\nSAMPLE_NAME LAB_L LAB_A LAB_B\nEND_DATA_FORMAT
BEGIN_DATA\n"Red wall, ""cut""" 45.5 30 25\nEND_DATA\n`;
    const [d50] = parseCgats(text('')).samples;
    expect(d50!.name).toBe('Red wall, "cut"');
    adaptD50ToD65([45.5, 30, 25] as never).forEach((v, i) => expect(d50!.lab![i]).toBeCloseTo(v, 9));
    expect(parseCgats(text('WEIGHTING_FUNCTION "ILLUMINANT, D65"')).samples[0]!.lab).toEqual([45.5, 30, 25]);
  });

  it('takes a file at its word about what white is: a black bar stays black', () => {
    const black = Float64Array.from(flat(0.012) as number[]);
    const text = printCgats([{ name: 'Soot', spectrum: black, lab: null, rest: {} }]);
    expect(text).toContain('SPECTRAL_NORM "100.0"');
    expect(parseCgats(text).samples[0]!.spectrum![7]).toBeCloseTo(0.012, 6);
    const fractions = text.replace('"100.0"', '"1.0"').replaceAll('1.20000', '0.012');
    expect(parseCgats(fractions).samples[0]!.spectrum![7]).toBeCloseTo(0.012, 6);
  });

  it('what is written reads back the same, whatever the names', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            name: fc.string({ minLength: 1, maxLength: 40 }).filter((s) => /\S/.test(s)),
            values: fc.array(fc.double({ min: 0, max: 1.2, noNaN: true }), { minLength: 36, maxLength: 36 }),
            dose: fc.string({ maxLength: 20 }),
          }),
          { minLength: 1, maxLength: 5 },
        ),
        (list) => {
          const samples = list.map(({ name, values, dose }) => ({
            name,
            spectrum: Float64Array.from(values),
            lab: null,
            rest: { DOSES: dose },
          }));
          const back = parseCgats(printCgats(samples)).samples;
          expect(back).toHaveLength(list.length);
          back.forEach((s, i) => {
            s.spectrum!.forEach((v, b) => expect(Math.abs(v - list[i]!.values[b]!)).toBeLessThan(6e-6));
            expect(s.rest.DOSES).toBe(list[i]!.dose.replace(/[\r\n]+/g, ' '));
          });
        },
      ),
      { numRuns: 60 },
    );
    const lab = labD65FromReflectance(spectrumFrom(() => 0.3));
    const [back] = parseCgats(printCgats([{ name: 'Grey', spectrum: null, lab, rest: {} }])).samples;
    back!.lab!.forEach((v, i) => expect(v).toBeCloseTo(lab[i]!, 4));
  });
});

describe('bad files', () => {
  const cut = file([flat(0.3), flat(0.4)]);
  it.each([
    ['cut short', cut.slice(0, cut.length - 12), 'It is cut short'],
    ['a value missing', cut.replace('0.4\n', '\n'), 'do not fill rows of 37 columns'],
    ['other counts than it says', file([flat(0.3)], { sets: 2 }), 'it says 2 colours and holds 1'],
    ['no number', file([flat('NaN')]), 'Line 10: “NaN” is no number'],
    ['a formula', file([[...flat(0.3, 35), '=1+1']]), '“=1+1” is no number'],
    ['negative light', file([flat(-0.2)]), 'Line 10: -0.2 at 380 nm is no reflectance'],
    ['more light than falls on it', file([flat(1.7)]), 'is no reflectance'],
    ['bands that do not reach', file([flat(0.3, 26)], { from: 450, to: 700 }), 'reach from 450 to 700 nm'],
    [
      'a gap',
      file([flat(0.3)])
        .replace('SPECTRAL_NM500', 'OTHER')
        .replace('SPECTRAL_NM510', 'MORE'),
      'no band between 490 and 520',
    ],
    ['a band twice', file([flat(0.3)]).replace('SPECTRAL_NM510', 'SPECTRAL_NM500'), 'stands there twice'],
    ['a quotation mark left open', cut.replace('"Reader"', '"Reader'), 'Line 2: a quotation mark'],
    ['no table', 'CGATS.17\nORIGINATOR "x"\n', 'no table of colours'],
    [
      'neither spectra nor Lab',
      'BEGIN_DATA_FORMAT\nA B\nEND_DATA_FORMAT\nBEGIN_DATA\n1 2\nEND_DATA',
      'neither spectra',
    ],
    ['a table without names', 'BEGIN_DATA\n1 2\nEND_DATA', 'does not name its columns'],
  ])('%s', (_, text, said) => {
    expect(() => parseCgats(text)).toThrow(FormatError);
    expect(() => parseCgats(text)).toThrow(said);
  });

  it('a little noise below nothing, and a fluorescent above all light, are let be', () => {
    expect(parseCgats(file([flat(-0.01)])).samples[0]!.spectrum![0]).toBe(-0.01);
    expect(parseCgats(file([flat(1.4)])).samples[0]!.spectrum![0]).toBe(1.4);
  });
});

it('reads text in any of its encodings', () => {
  const text = 'Würfel — 石 🧼';
  const utf8 = Buffer.from(text, 'utf8');
  const utf16 = Buffer.from(text, 'utf16le');
  const swapped = Buffer.from(utf16).swap16();
  expect(decodeText(utf8)).toBe(text);
  expect(decodeText(Buffer.concat([Buffer.from([0xef, 0xbb, 0xbf]), utf8]))).toBe(text);
  expect(decodeText(Buffer.concat([Buffer.from([0xff, 0xfe]), utf16]))).toBe(text);
  expect(decodeText(Buffer.concat([Buffer.from([0xfe, 0xff]), swapped]))).toBe(text);
  expect(decodeText(Buffer.from('CGATS', 'utf16le'))).toBe('CGATS');
  expect(decodeText(Buffer.from('Würfel', 'latin1'))).toBe('Würfel');
  expect(decodeText(new Uint8Array())).toBe('');
});
