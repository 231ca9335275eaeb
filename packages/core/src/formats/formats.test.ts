import fc from 'fast-check';
import { adaptD50ToD65, adaptD65ToD50 } from '../colour/adapt.ts';
import { deltaE00 } from '../colour/deltaE00.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { parseAse, printAse } from './ase.ts';
import { parseCsv, printCsv, printRows } from './csv.ts';
import { parseGpl, printGpl } from './gpl.ts';
import { imageSize } from './imageSize.ts';
import { type PaletteFile } from './paletteFile.ts';
import { paletteFormats } from './paletteFormats.ts';

const palette: PaletteFile = {
  name: 'Verdigris roofs',
  colours: [
    { name: 'Patina', lab: labD65FromHex('#5f9a8a') },
    { name: '<b>Zinc</b> é', lab: labD65FromHex('#8f9296') },
  ],
};
const same = (one: PaletteFile, two: PaletteFile): void => {
  expect(one.name).toBe(two.name);
  expect(one.colours.map((c) => c.name)).toEqual(two.colours.map((c) => c.name));
  one.colours.forEach((c, i) => {
    expect(deltaE00(c.lab, two.colours[i]!.lab)).toBeLessThan(0.01);
  });
};

describe('.gpl', () => {
  it('round-trips', () => {
    same(parseGpl(printGpl(palette)), palette);
  });

  it('reads what other programs write', () => {
    const text =
      'GIMP Palette\r\nName: Rye\r\nColumns: 4\r\n# a comment\r\n\r\n  0   0 255\tDeep\r\n255 255 255\r\n';
    const read = parseGpl(text);
    expect(read.name).toBe('Rye');
    expect(read.colours.map((c) => c.name)).toEqual(['Deep', 'Colour 2']);
  });

  it.each([
    ['', 'This is no .gpl palette: its first line is missing.'],
    ['GIMP Palette\nName: x\n', 'There is no colour in this file.'],
    ['GIMP Palette\n12 13\n', 'Line 2 is no colour: “12 13”.'],
    ['GIMP Palette\n12 13 999 x\n', 'Line 2 is no colour: “12 13 999 x”.'],
    [
      `GIMP Palette\n${'1 2 3\n'.repeat(100_000)}`,
      'This file holds 100000 colours; at most 256 can be read.',
    ],
  ])('refuses %#', (text, message) => {
    expect(() => parseGpl(text)).toThrow(message);
  });
});

describe('.ase', () => {
  it('round-trips', () => {
    same(parseAse(printAse(palette)), palette);
  });

  it('refuses every cut of a good file, and never hangs or reads past the end', () => {
    const whole = printAse(palette);
    for (let n = 0; n < whole.length; n++)
      expect(() => parseAse(whole.slice(0, n))).toThrow(/cut short|signature/);
  });

  it('answers junk with a message, whatever it is', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 400 }), (junk) => {
        try {
          parseAse(junk);
        } catch (e) {
          expect((e as Error).name).toBe('FormatError');
        }
      }),
    );
    const flipped = fc.tuple(fc.nat(printAse(palette).length - 1), fc.nat(255));
    fc.assert(
      fc.property(flipped, ([at, value]) => {
        const spoilt = printAse(palette);
        spoilt[at] = value;
        try {
          parseAse(spoilt);
        } catch (e) {
          expect((e as Error).name).toBe('FormatError');
        }
      }),
      { numRuns: 300 },
    );
  });

  it('tells a count that promises more than there is', () => {
    const bytes = printAse(palette);
    new DataView(bytes.buffer).setUint32(8, 100_000);
    expect(() => parseAse(bytes)).toThrow('The file is cut short.');
  });

  it('reads Lab as D50', () => {
    const view = new DataView(new ArrayBuffer(12 + 6 + 4 + 4 + 12 + 2));
    [0x41, 0x53, 0x45, 0x46].forEach((c, i) => {
      view.setUint8(i, c);
    });
    view.setUint32(8, 1);
    view.setUint16(12, 1);
    view.setUint32(14, 22);
    view.setUint16(18, 1);
    Array.from('LAB ').forEach((c, i) => {
      view.setUint8(22 + i, c.charCodeAt(0));
    });
    [0.6, 10, 20].forEach((v, i) => {
      view.setFloat32(26 + i * 4, v);
    });
    expect(
      deltaE00(parseAse(new Uint8Array(view.buffer)).colours[0]!.lab, adaptD50ToD65([60, 10, 20] as never)),
    ).toBeLessThan(0.01);
  });
});

describe('CSV', () => {
  it('round-trips', () => {
    same({ ...parseCsv(printCsv(palette)), name: palette.name }, palette);
  });

  it('takes hex or Lab, comma or point', () => {
    const [a, b] = parseCsv('Name,HEX,L*,a*,b*\nA,4A63B0,,,\n,,"50,5",1,-2\n').colours;
    expect(deltaE00(a!.lab, labD65FromHex('#4a63b0'))).toBe(0);
    expect(b).toEqual({ name: 'Colour 2', lab: [50.5, 1, -2] });
  });

  it('leaves numbers numbers, and escapes everything that may begin a formula', () => {
    const plain = ['-2', '-1.5', '+3', '-0,25', '-1e-3', '12', '.5', '', 'blue=2.5', "d'or"];
    expect(printRows([plain])).toBe('-2,-1.5,+3,"-0,25",-1e-3,12,.5,,blue=2.5,d\'or');
    const formulas = [
      '=1',
      '-2+3',
      '-2-3',
      '+A1',
      '@x',
      '＝1',
      '＋A1',
      '－A1',
      '＠x',
      ' =1',
      '\n=1',
      '\r=1',
      '\t=1',
      '\u00a0=1',
      '\nx',
    ];
    for (const cell of formulas) expect(printRows([[cell]]).replace(/^"/, '')).toMatch(/^'/);
  });

  it.each([
    '=1+1',
    '+SUM(A1)',
    '-2+1',
    '@cmd',
    '\tx',
    "'=quoted",
    "''=twice",
    "d'or",
    "'plain",
    '＝1',
    '-2',
    "'-2",
  ])('makes %p harmless in a spreadsheet and reads it back', (name) => {
    const text = printCsv({ name: 'P', colours: [{ name, lab: [50, -1.5, 2] }] });
    const [, line] = text.split('\r\n');
    expect(line).not.toMatch(/^"?(?!-2,)[=+\-@\t＝]/);
    expect(line).toMatch(/,50,-1\.5,2,D65$/);
    expect(parseCsv(text).colours[0]!.name).toBe(name.trim());
  });

  it('names the row that is no colour', () => {
    expect(() => parseCsv('hex\n#12\n')).toThrow('Row 2: “#12” is no colour like #4a63b0.');
    expect(() => parseCsv('L,a,b\n50,0,0\n500,0,0\n')).toThrow('Row 3: L, a, b of 500, 0, 0 is no colour.');
    expect(() => parseCsv('x\n1\n')).toThrow('Row 2: a colour needs a hex column, or L, a and b.');
    expect(() => parseCsv('hex\n')).toThrow('There is no colour in this file.');
  });
});

describe('what a file may get wrong', () => {
  /** A swatch exchange file of one group of colours, each a model and its numbers. */
  const swatches = (...colours: (readonly [name: string, model: string, values: readonly number[]])[]) => {
    const bytes: number[] = [0x41, 0x53, 0x45, 0x46, 0, 1, 0, 0, 0, 0, 0, colours.length];
    const u16 = (v: number): number[] => [v >> 8, v & 255];
    for (const [name, model, values] of colours) {
      const view = new DataView(new ArrayBuffer(4 * values.length));
      values.forEach((v, i) => {
        view.setFloat32(4 * i, v);
      });
      const body = [
        ...u16(name.length + 1),
        ...Array.from(`${name}\0`).flatMap((c) => u16(c.charCodeAt(0))),
        ...Array.from(model, (c) => c.charCodeAt(0)),
        ...new Uint8Array(view.buffer),
        0,
        2,
      ];
      bytes.push(0, 1, 0, 0, ...u16(body.length), ...body);
    }
    return Uint8Array.from(bytes);
  };

  it('a swatch that is no colour is left out with a word, and the rest is read', () => {
    const read = parseAse(
      swatches(['Good', 'LAB ', [0.5, 10, 20]], ['Mad', 'LAB ', [90, 0, 0]], ['Hot', 'RGB ', [7, 0, 0]]),
    );
    expect(read.colours.map((c) => c.name)).toEqual(['Good']);
    expect(read.notes).toEqual([
      '“Mad” was left out: L 9000, a 0, b 0 is no colour.',
      '“Hot” was left out: RGB 7, 0, 0 is out of range.',
    ]);
  });

  it('a file of nothing else is refused with the first reason', () => {
    expect(() => parseAse(swatches(['Mad', 'LAB ', [90, 0, 0]]))).toThrow('“Mad” was left out: L 9000');
  });

  it('whatever it reads, a plan can hold and the server takes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.float({ noNaN: true, noDefaultInfinity: true }), { minLength: 3, maxLength: 3 }),
        (v) => {
          try {
            for (const { lab } of parseAse(swatches(['C', 'LAB ', v])).colours)
              for (const x of lab) expect(Math.abs(x)).toBeLessThanOrEqual(200);
          } catch (e) {
            expect((e as Error).name).toBe('FormatError');
          }
        },
      ),
    );
  });

  it('Lab of a swatch is for D50 unless the maker knows better', () => {
    const bytes = swatches(['C', 'LAB ', [0.5, 10, 20]]);
    expect(parseAse(bytes).white).toBe('D50');
    expect(parseAse(bytes, 'D65').colours[0]!.lab).toEqual([50, 10, 20]);
    expect(parseAse(swatches(['C', 'RGB ', [1, 0, 0]])).white).toBeNull();
  });

  it('Lab of a table is for what the table says, D65 without a word, or what the maker knows', () => {
    const table = (white: string): string => `L,a,b,white\n50,10,20,${white}\n`;
    expect(parseCsv(table('D65'))).toMatchObject({ white: 'D65', colours: [{ lab: [50, 10, 20] }] });
    const d50 = adaptD50ToD65([50, 10, 20] as never);
    expect(deltaE00(parseCsv(table('d50')).colours[0]!.lab, d50)).toBeLessThan(1e-9);
    expect(parseCsv(table('')).white).toBe('D65');
    expect(deltaE00(parseCsv(table(''), 'D50').colours[0]!.lab, d50)).toBeLessThan(1e-9);
    expect(parseCsv('hex\n#4a63b0\n').white).toBeNull();
  });

  it('exact Lab wins over the hex that a screen shows for it', () => {
    const beyond = { name: 'P', colours: [{ name: 'Neon', lab: [70, 90, 80] as const }] };
    expect(parseCsv(printCsv(beyond)).colours[0]!.lab).toEqual([70, 90, 80]);
  });

  it.each([
    ['name,hex\n"open,#4a63b0\n', 'Row 2: a quotation mark is opened and not closed.'],
    ['name,hex\nA,#4a63b0\n\n"a"b,#4a63b0\n', 'Row 4: a quotation mark stands inside a cell.'],
    ['L,a,b\n50,5,1,-2\n', 'Row 2: it has more cells than the heading row.'],
    ['hex\n#4a63b0\n\n\n#12\n', 'Row 5: “#12” is no colour like #4a63b0.'],
  ])('a table with a fault names its line: %j', (text, message) => {
    expect(() => parseCsv(text)).toThrow(message);
  });
});

describe('the table of formats', () => {
  it.each(paletteFormats)('$ending is written and read again', async ({ load }) => {
    const codec = await load();
    const again = codec.kind === 'text' ? codec.read(codec.write(palette)) : codec.read(codec.write(palette));
    expect(again.colours.map((c) => c.name)).toEqual(palette.colours.map((c) => c.name));
    again.colours.forEach((c, i) => {
      expect(deltaE00(c.lab, palette.colours[i]!.lab)).toBeLessThan(0.01);
    });
  });

  it('has each ending once, in small letters', () => {
    const endings = paletteFormats.map((f) => f.ending);
    expect(new Set(endings).size).toBe(endings.length);
    expect(endings).toEqual(endings.map((e) => e.toLowerCase()));
  });
});

it('Bradford maps white to white and back', () => {
  expect(deltaE00(adaptD50ToD65([100, 0, 0] as never), [100, 0, 0])).toBeLessThan(0.01);
  const there = adaptD50ToD65(adaptD65ToD50([50, 30, -40]));
  expect(deltaE00(there, [50, 30, -40])).toBeLessThan(0.01);
});

describe('picture sizes', () => {
  const bytes = (...parts: (string | number[])[]) =>
    Uint8Array.from(
      parts.flatMap((p) => (typeof p === 'string' ? Array.from(p, (c) => c.charCodeAt(0)) : p)),
    );

  it('are read from the header of PNG, JPEG and WebP', () => {
    const png = bytes([0x89], 'PNG', [13, 10, 26, 10, 0, 0, 0, 13], 'IHDR', [0, 0, 15, 160, 0, 0, 11, 184]);
    expect(imageSize(png)).toEqual({ type: 'png', width: 4000, height: 3000 });
    const jpeg = bytes([0xff, 0xd8, 0xff, 0xe0, 0, 4, 1, 2, 0xff, 0xc2, 0, 17, 8, 11, 184, 15, 160, 3, 0, 0]);
    expect(imageSize(jpeg)).toEqual({ type: 'jpeg', width: 4000, height: 3000 });
    const webp = bytes('RIFF', [0, 0, 0, 0], 'WEBPVP8X', [10, 0, 0, 0, 0, 0, 0, 0, 159, 15, 0, 183, 11, 0]);
    expect(imageSize(webp)).toEqual({ type: 'webp', width: 4000, height: 3000 });
  });

  it('are null for what is no picture, or cut short', () => {
    expect(imageSize(new Uint8Array(0))).toBeNull();
    expect(imageSize(bytes('hello, this is no picture at all, only words'))).toBeNull();
    expect(imageSize(bytes([0xff, 0xd8, 0xff, 0xe0, 0, 4]))).toBeNull();
    fc.assert(fc.property(fc.uint8Array({ maxLength: 64 }), (junk) => void imageSize(junk)));
  });
});
