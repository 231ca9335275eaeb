import { labD65FromHex } from '../colour/srgb.ts';
import { type BarRole, barsOfTable, type BarTableReading, guessRoles, readBarTable } from './barTable.ts';
import { printCgats } from './cgats.ts';
import { printRows } from './csv.ts';
import { decodeText } from './text.ts';

const read = (text: string, change: Partial<BarTableReading> = {}) => {
  const table = readBarTable(text);
  return barsOfTable(table, { roles: guessRoles(table), white: table.white, perDose: 1, ...change });
};
const rolesOf = (text: string): BarRole[] => guessRoles(readBarTable(text));

const wide = 'name;Gate red;Snow;age days;gel;L;a;b\nOne;1,5;;42;yes;45,1;30;25\nTwo;0;4;42;0;90;-1;5,5\n';

describe('a table of bars', () => {
  it('is read with a column a colourant, whatever the delimiter and the decimal sign', () => {
    for (const text of [
      wide,
      wide.replaceAll(',', '.').replaceAll(';', '\t'),
      wide.replaceAll(',', '.').replaceAll(';', ','),
      wide.replaceAll(',', '.').replaceAll(';', '|'),
      `\uFEFF${wide.replaceAll('\n', '\r\n')}`,
      wide.replaceAll('\n', '\r'),
    ]) {
      expect(rolesOf(text)).toEqual(['name', 'dose', 'dose', 'days', 'gel', 'L', 'a', 'b']);
      expect(read(text).bars).toMatchObject([
        { name: 'One', doses: [{ key: 'Gate red', dose: 1.5 }], hours: 1008, gel: 1, lab: [45.1, 30, 25] },
        { name: 'Two', doses: [{ key: 'Snow', dose: 4 }], gel: 0, lab: [90, -1, 5.5] },
      ]);
    }
  });

  it('is read with a colourant a row, or several in one cell', () => {
    const { bars } = read('pot,material,g/kg,hex\nA,Gate red,2,#b06a49\nB,,,#f0ead8\n');
    expect(bars.map((b) => b.doses)).toEqual([[{ key: 'Gate red', dose: 2 }], []]);
    bars[0]!.lab!.forEach((v, i) => expect(v).toBeCloseTo(labD65FromHex('#b06a49')[i]!, 9));
    expect(read('name,doses,hex\nA,red=2 blue=0.5,#b06a49').bars[0]!.doses).toEqual([
      { key: 'red', dose: 2 },
      { key: 'blue', dose: 0.5 },
    ]);
  });

  it('takes doses in % of the oils, and Lab for D50', () => {
    const text = 'name,Red,L,a,b\nA,0.2,50,20,20\n';
    const d50 = read(text, { perDose: 10, white: 'D50' }).bars[0]!;
    expect(d50.doses[0]!.dose).toBeCloseTo(2, 9);
    expect(d50.lab).not.toEqual([50, 20, 20]);
    expect(read(text).bars[0]!.lab).toEqual([50, 20, 20]);
  });

  it('takes no figures for doses that instruments write beside a colour', () => {
    const head = 'SAMPLE_ID,XYZ_X,RGB_R,MEAN_DE,Note,LAB_L,LAB_A,LAB_B';
    expect(rolesOf(`${head}\n1,20,128,0.4,good,50,1,1\n`)).toEqual([
      'name',
      'ignore',
      'ignore',
      'ignore',
      'ignore',
      'L',
      'a',
      'b',
    ]);
  });

  it('reads spectra of CSV and of CGATS alike, in percent or as fractions', () => {
    const bands = Array.from({ length: 31 }, (_, i) => 400 + 10 * i);
    const csv = `name,Red,${bands.join()}\nA,2,${bands.map((nm) => nm / 10).join()}\n`;
    const cgats = [
      'CGATS.17',
      'BEGIN_DATA_FORMAT',
      `SAMPLE_NAME Red ${bands.map((nm) => `SPEC_${nm}`).join(' ')}`,
      'END_DATA_FORMAT',
      'BEGIN_DATA',
      `A 2 ${bands.map((nm) => nm / 1000).join(' ')}`,
      'END_DATA',
    ].join('\n');
    for (const text of [csv, cgats]) {
      const [bar] = read(text).bars;
      expect(bar).toMatchObject({ name: 'A', doses: [{ key: 'Red', dose: 2 }], lab: null });
      expect(bar!.spectrum).toHaveLength(36);
      expect(bar!.spectrum![17]).toBeCloseTo(0.55, 6);
    }
    expect(read(csv).notes.join()).toContain('in percent');
  });

  it('reads what Kleur writes', () => {
    const rest = { DOSES: 'red-iron-oxide=2.5 kaolin=1', HOURS: '1008', GEL: '0', FACE: 'cut', LOT: '7' };
    const sample = { name: 'Strata, Red', spectrum: null, lab: [45, 30, 25] as const, rest };
    const [bar] = read(printCgats([sample])).bars;
    expect(bar).toMatchObject({
      name: 'Strata, Red',
      doses: [
        { key: 'red-iron-oxide', dose: 2.5 },
        { key: 'kaolin', dose: 1 },
      ],
      hours: 1008,
      gel: 0,
      lot: '7',
    });
    bar!.lab!.forEach((v, i) => expect(v).toBeCloseTo(sample.lab[i]!, 4));
    const head = ['batch', 'pot', 'on', 'L', 'a', 'b', 'doubt', 'doses', 'hours', 'gel', 'face', 'how'];
    const row = [
      '=SUM(A1)',
      '=1+1',
      '2026-03-09',
      '45',
      '30',
      '25',
      '3',
      'kaolin=1',
      '24',
      '1',
      'cut',
      'lab',
    ];
    expect(read(printRows([head, row])).bars[0]).toMatchObject({
      name: '=1+1',
      on: '2026-03-09',
      doses: [{ key: 'kaolin', dose: 1 }],
      hours: 24,
    });
  });

  it('is decoded from Latin-1 and UTF-16', () => {
    const text = 'name,Räucher,L,a,b\nÄ,1,50,0,0\n';
    const latin = Uint8Array.from(text, (c) => c.charCodeAt(0));
    const utf16 = new Uint8Array([0xff, 0xfe, ...Array.from(text).flatMap((c) => [c.charCodeAt(0), 0])]);
    for (const bytes of [latin, utf16])
      expect(read(decodeText(bytes)).bars[0]).toMatchObject({ name: 'Ä', doses: [{ key: 'Räucher' }] });
  });

  it.each([
    ['nothing in it', '', /empty/],
    ['headings alone', 'name,L,a,b\n', /no row/],
    ['no colour', 'name,Red\nA,2\n', /No column holds a colour/],
    ['a row that is short', 'name,L,a,b\nA,50,0\n', /^Line 2 has 3 cells/],
    ['an open quotation mark', 'name,L,a,b\n"A,50,0,0\n', /quotation mark/],
    ['a colour that is none', 'name,L,a,b\nA,50,NaN,0\n', /^Line 2: “NaN” is no number/],
    ['a formula for a figure', 'name,Red,hex\nA,1,#b06a49\nB,=A2,#b06a49\n', /./],
    [
      'less than nothing of a colourant',
      'name,Red,hex\nA,1,#b06a49\nB,-2,#b06a49\n',
      /^Line 3.*less than nothing/,
    ],
    ['a day that is none', 'name,on,hex\nA,2026-13-01,#b06a49\n', /no day/],
    ['gel beyond full', 'name,gel,hex\nA,40,#b06a49\n', /^Line 2: gel of 40/],
    ['a hex that is none', 'name,hex\nA,red\n', /no colour like/],
    [
      'reflectance beyond any',
      'name,400,420,440,460,480,500,520,540,560,580,600,620,640,660,680,700\nA' +
        ',0.4'.repeat(15) +
        ',-0.5\n',
      /no reflectance/,
    ],
    ['bands that are missing', 'name,400,420\nA,0.4,0.4\n', /400 to 420/],
    [
      'a file cut short',
      'CGATS.17\nBEGIN_DATA_FORMAT\nLAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n50 0 0\n',
      /cut short/,
    ],
  ])('is refused with %s', (what, text, message) => {
    const roles = what === 'a formula for a figure' ? { roles: ['name', 'dose', 'hex'] as const } : {};
    expect(() => read(text, roles)).toThrow(message);
  });
});
