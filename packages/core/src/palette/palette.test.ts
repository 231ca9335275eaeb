import fc from 'fast-check';
import { deltaE00 } from '../colour/deltaE00.ts';
import { chromaOf, type LabD65 } from '../colour/lab.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { anything, candidatesOf } from '../match/candidates.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { cured } from '../pigment/stage.ts';
import { shelfItem } from '../testing/plans.ts';
import { checkApart, greyOrder, mendPair, touchingPairs } from './apart.ts';
import { angleOfHue, harmony, hueOfAngle, labFromOklch, oklchFromLab, WHEELS } from './harmony.ts';
import { blendPots, MUD_BELOW } from './mud.ts';
import { seededRandom } from '../numerics/random.ts';
import { createPhotoCounter, photoColours } from './photo.ts';
import { startingShelf } from '../material/catalogue/index.ts';
import { predictLab } from '../pigment/mixer.ts';
import { reachCell, reachSlices } from './reach.ts';
import { techniqueById, TECHNIQUES } from './technique.ts';
import { simulateDeficiency } from './vision.ts';
import { cases } from '../../test/cases.ts';

const settings = {
  wheel: 'painters',
  scheme: 'complement',
  angle: 0,
  stretch: 1,
  lightness: 0.6,
  chroma: 0.12,
  count: 2,
} as const;
const hueOf = (lab: LabD65) => oklchFromLab(lab)[2];

describe('harmony', () => {
  it('wheels invert', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 359.9, noNaN: true }),
        fc.constantFrom(...WHEELS),
        (angle, wheel) => {
          const back = angleOfHue(hueOfAngle(angle, wheel), wheel);
          expect(Math.min(Math.abs(back - angle), 360 - Math.abs(back - angle))).toBeLessThan(1e-6);
        },
      ),
    );
  });

  it('painters pair red with green and blue with orange; the perceptual wheel takes the opposite hue', () => {
    const [, green] = harmony(settings);
    expect(hueOf(green!)).toBeGreaterThan(130);
    expect(hueOf(green!)).toBeLessThan(165);
    const [, orange] = harmony({ ...settings, angle: 240 });
    expect(Math.abs(hueOf(orange!) - 58)).toBeLessThan(2);
    const [a, b] = harmony({ ...settings, wheel: 'perceptual', angle: 40 });
    expect(Math.abs(((hueOf(b!) - hueOf(a!) + 360) % 360) - 180)).toBeLessThan(1);
  });

  it('gives as many as asked, spread in lightness for one hue', () => {
    for (const scheme of ['complement', 'split', 'triad', 'neighbours', 'one-hue', 'browns'] as const) {
      expect(harmony({ ...settings, scheme, count: 6 })).toHaveLength(6);
    }
    const tints = harmony({ ...settings, scheme: 'one-hue', count: 5 }).map((c) => c[0]);
    expect([...tints].sort((x, y) => y - x)).toEqual(tints);
    expect(harmony({ ...settings, count: 99 })).toHaveLength(8);
    expect(deltaE00(labFromOklch(oklchFromLab([50, 20, -30])), [50, 20, -30])).toBeLessThan(1e-4);
  });
});

describe('apart check', () => {
  const layers = techniqueById('layers')!;
  const hanger = techniqueById('hanger')!;

  it('looks at neighbours in a row and at all pairs in a swirl', () => {
    expect(touchingPairs(4, layers)).toEqual([
      [0, 1],
      [1, 2],
      [2, 3],
    ]);
    expect(touchingPairs(4, hanger)).toHaveLength(6);
  });

  it('passes at the need and fails below it, and needs lightness for the hanger', () => {
    const from: LabD65 = [50, 0, 0];
    const at = (L: number): LabD65 => [L, 0, 0];
    // Near L* 50 a grey step of 1 is ΔE00 1.
    const near = deltaE00(from, at(58.2)) >= 8 ? 58.2 : 59;
    expect(checkApart([from, at(57)], layers)[0]!.apart).toBe(false);
    expect(checkApart([from, at(near)], layers)[0]!.apart).toBe(true);
    expect(
      checkApart(
        [
          [50, 60, 0],
          [55, -60, 0],
        ],
        hanger,
      )[0]!.apart,
    ).toBe(false);
    expect(
      checkApart(
        [
          [50, 60, 0],
          [61, -60, 0],
        ],
        hanger,
      )[0]!.apart,
    ).toBe(true);
  });

  it('mends with the smallest move that passes', () => {
    const labs: LabD65[] = [
      [50, 10, -20],
      [53, 10, -22],
    ];
    const mend = mendPair(labs, 0, 1, layers)!;
    const mended = labs.map((l, i) => (i === mend.index ? mend.target : l));
    expect(checkApart(mended, layers)[0]!.apart).toBe(true);
    const short = labs.map((l, i): LabD65 =>
      i === mend.index ? [l[0] + (mend.target[0] - l[0]) * 0.8, l[1], l[2]] : l,
    );
    expect(checkApart(short, layers)[0]!.apart).toBe(false);
  });

  it('orders by value', () => {
    expect(
      greyOrder([
        [30, 0, 0],
        [90, 0, 0],
        [60, 0, 0],
      ]),
    ).toEqual({ order: [1, 2, 0], widest: 30, flattest: 30 });
    expect(greyOrder([])).toEqual({ order: [], widest: 0, flattest: 0 });
  });

  it('knows every technique once', () => {
    expect(new Set(TECHNIQUES.map((t) => t.id)).size).toBe(TECHNIQUES.length);
    expect(techniqueById('unheard-of')).toBeNull();
  });
});

describe('mud check', () => {
  const pot = (id: string, dose: number) => ({
    canvas: referenceCanvas,
    parts: [{ optics: shelfItem(id).optics!, dose }],
    age: 0,
    gel: null,
  });

  it('blue and orange are mud, blue and green are not, white has none', () => {
    expect(blendPots(pot('ultramarine-blue', 6), pot('orange-oxide', 3), cured()).mud).toBe(true);
    expect(blendPots(pot('ultramarine-blue', 6), pot('hydrated-chromium-oxide', 4), cured()).mud).toBe(false);
    expect(blendPots(pot('ultramarine-blue', 6), pot('titanium-dioxide-oil', 6), cured()).mud).toBe(false);
  });

  it('what keeps some chroma, but little and in the hue of neither, is mud too', () => {
    // Moss and rose: a dull brown, neither green nor pink.
    const murky = blendPots(pot('chromium-oxide-green', 1.5), pot('mica-ribbon', 5), cured());
    expect(murky.index).toBeGreaterThan(MUD_BELOW);
    expect([chromaOf(murky.lab) < 15, murky.mud]).toEqual([true, true]);
    // Two soft neighbours keep their hue: soft, not mud.
    expect(blendPots(pot('rose-clay', 8), pot('red-iron-oxide', 0.6), cured()).mud).toBe(false);
  });

  it('a pot blended with itself is itself', () => {
    const blend = blendPots(pot('red-iron-oxide', 2), pot('red-iron-oxide', 2), cured());
    expect(blend.index).toBeGreaterThan(0.97);
  });
});

describe('colour vision', () => {
  it('keeps greys, and brings red and green together for deutan eyes', () => {
    expect(simulateDeficiency('#808080', 'protan')).toBe('#808080');
    const apart = (f: (hex: string) => string) =>
      deltaE00(labD65FromHex(f('#c04040')), labD65FromHex(f('#4f8f4f')));
    expect(apart((h) => simulateDeficiency(h, 'deutan'))).toBeLessThan(apart((h) => h) / 2);
  });
});

describe('photo', () => {
  /** Blocks of flat colour with a little noise. */
  function picture(blocks: readonly (readonly [number, number, number, number])[]): Uint8ClampedArray {
    const random = seededRandom(3);
    const pixels = blocks.flatMap(([r, g, b, n]) =>
      Array.from({ length: n }, () => [r, g, b].map((v) => v + (random() - 0.5) * 6).concat(255)),
    );
    return Uint8ClampedArray.from(pixels.flat());
  }
  const three = picture([
    [200, 60, 50, 6000],
    [40, 80, 160, 3000],
    [240, 235, 220, 1000],
  ]);

  it('finds the colours by area and merges near-duplicates', () => {
    const found = photoColours(three, 8);
    expect(found).toHaveLength(3);
    expect(found.map((c) => Math.round(c.share * 10))).toEqual([6, 3, 1]);
    expect(deltaE00(found[0]!.lab, labD65FromHex('#c83c32'))).toBeLessThan(2);
    expect(photoColours(three, 8)).toEqual(found);
  });

  it('keeps to the number asked and leaves out what is see-through', () => {
    const rainbow = picture(
      Array.from({ length: 12 }, (_, i) => [(i * 67) % 256, (i * 131) % 256, (i * 29) % 256, 500] as const),
    );
    expect(photoColours(rainbow, 5).length).toBeLessThanOrEqual(5);
    const hidden = Uint8ClampedArray.from(three, (v, i) => (i % 4 === 3 ? 0 : v));
    expect(() => photoColours(hidden, 4)).toThrow('The picture is see-through everywhere');
    expect(() => photoColours(new Uint8ClampedArray(0), 4)).toThrow('whole RGBA pixels');
  });
});

describe('photo, what is easily missed', () => {
  /** A picture of a width, by the colour of each pixel. */
  const drawn = (size: number, at: (x: number, y: number) => readonly number[]): Uint8ClampedArray =>
    Uint8ClampedArray.from(
      Array.from({ length: size * size }, (_, i) => [...at(i % size, Math.floor(i / size)), 255]).flat(),
    );
  const near = (found: readonly { readonly lab: LabD65 }[], hex: string): number =>
    Math.min(...found.map((c) => deltaE00(c.lab, labD65FromHex(hex))));

  it.each([1, 2, 3, 4, 5, 7, 8])('sees both colours of stripes %p wide, half each, either way', (wide) => {
    for (const across of [true, false]) {
      const found = photoColours(
        drawn(240, (x, y) => ((across ? x : y) % (2 * wide) < wide ? [180, 60, 50] : [50, 90, 160])),
        6,
      );
      expect(found).toHaveLength(2);
      for (const c of found) expect(c.share).toBeCloseTo(0.5, 1);
      expect(near(found, '#b43c32')).toBeLessThan(1);
      expect(near(found, '#325aa0')).toBeLessThan(1);
    }
  });

  it('keeps an accent of half a per cent, but no stray pixels', () => {
    const random = seededRandom(5);
    const noisy = (v: readonly number[]) => v.map((c) => c + (random() - 0.5) * 24);
    const found = photoColours(
      drawn(200, (x, y) =>
        x < 14 && y < 15 ? [230, 190, 40] : x === 100 && y < 10 ? [0, 255, 0] : noisy([120, 130, 125]),
      ),
      5,
    );
    expect(near(found, '#e6be28')).toBeLessThan(3);
    expect(near(found, '#00ff00')).toBeGreaterThan(20);
    expect(found).toHaveLength(2);
  });

  it.each([8, 20, 40])('noise of ± %p round one grey is one colour', (by) => {
    const random = seededRandom(9);
    const found = photoColours(
      drawn(200, () => [0, 1, 2].map(() => 128 + (random() - 0.5) * 2 * by)),
      8,
    );
    expect(found).toHaveLength(1);
    expect(near(found, '#808080')).toBeLessThan(3);
  });

  it('keeps neighbours apart whose edges are blurred into each other', () => {
    const blocks = [
      [138, 63, 88],
      [169, 138, 99],
      [107, 74, 53],
      [239, 230, 210],
      [70, 96, 122],
    ] as const;
    const found = photoColours(
      drawn(300, (x) => {
        const at = Math.min(4, Math.floor(x / 60));
        const mix = Math.max(0, (x % 60) - 58) / 2;
        const next = blocks[Math.min(4, at + 1)]!;
        return blocks[at]!.map((v, i) => v + (next[i]! - v) * mix);
      }),
      5,
    );
    expect(found).toHaveLength(5);
    for (const hex of ['#8a3f58', '#a98a63', '#6b4a35', '#efe6d2', '#46607a'])
      expect(near(found, hex)).toBeLessThan(3);
  });

  it('divides a smooth passage between colours', () => {
    const found = photoColours(
      drawn(200, (x) => [40 + x, 60, 240 - x]),
      5,
    );
    expect(found.length).toBeGreaterThanOrEqual(3);
  });

  it('is the same in tiles as in one piece', () => {
    const picture = drawn(64, (x, y) => [x * 4, y * 4, 90]);
    const counter = createPhotoCounter();
    for (let row = 0; row < 64; row += 16) counter.add(picture.slice(row * 64 * 4, (row + 16) * 64 * 4));
    expect(counter.colours(6)).toEqual(photoColours(picture, 6));
  });
});

describe('reach', () => {
  it('grows with the shelf and names what carries an edge', () => {
    const few = candidatesOf(['titanium-dioxide-oil', 'red-iron-oxide'].map(shelfItem), anything);
    const more = candidatesOf(
      ['titanium-dioxide-oil', 'red-iron-oxide', 'ultramarine-blue'].map(shelfItem),
      anything,
    );
    const area = (slices: ReturnType<typeof reachSlices>) =>
      slices.reduce((sum, s) => sum + s.edge.reduce((n, p) => n + Math.hypot(p.lab[1], p.lab[2]), 0), 0);
    const small = reachSlices(referenceCanvas, few, cured());
    const large = reachSlices(referenceCanvas, more, cured());
    expect(area(large)).toBeGreaterThan(area(small) * 1.3);
    const blues = large.flatMap((s) => s.edge.filter((p) => p.lab[2] < -20));
    expect(blues.length).toBeGreaterThan(0);
    expect(blues.every((p) => p.ids.includes('ultramarine-blue'))).toBe(true);
  });

  it('leaves hardly any mixture of a small shelf outside its outline', () => {
    const all = candidatesOf(startingShelf(), anything);
    const random = seededRandom(17);
    const shelf = Array.from({ length: 12 }, (_, i) => all[Math.floor((i * all.length) / 12)]!);
    const stage = cured(1);
    const edge = new Map(
      reachSlices(referenceCanvas, shelf, stage).flatMap((s) =>
        s.edge.map((p) => [reachCell(p.lab)!, chromaOf(p.lab)] as const),
      ),
    );
    const many = cases(4000, 20_000);
    const mixtures = Array.from({ length: many }, () => {
      const ids = [...new Set(Array.from({ length: 4 }, () => Math.floor(random() * 12)))].slice(
        0,
        1 + Math.floor(random() * 4),
      );
      const parts = ids.map((i) => ({ optics: shelf[i]!.optics, dose: shelf[i]!.ceiling * random() ** 2 }));
      return predictLab(referenceCanvas, parts, stage);
    });
    const outside = mixtures.filter((lab) => {
      const cell = reachCell(lab);
      return cell !== null && chromaOf(lab) > (edge.get(cell) ?? 0) + 2;
    });
    expect(outside.length).toBeLessThanOrEqual(many / 500);
  });
});
