import { deltaE00 } from '../colour/deltaE00.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { predictLab } from '../pigment/mixer.ts';
import { absorptionAt } from '../pigment/optics.ts';
import { justSeen, SEEN_FROM } from '../pigment/justSeen.ts';
import { atCut, cured, fresh, type Stage } from '../pigment/stage.ts';
import { shelfItem } from '../testing/plans.ts';
import { carriersFrom } from './catalogue/build.ts';
import { startingShelf } from './catalogue/index.ts';
import { type Looks, noLooks } from './looks.ts';
import { type MaterialKind } from './material.ts';
import { defaultOptics } from './ownMaterial.ts';
import { isPale } from './scatterPrior.ts';
import { LADDER_STEPS, shelfFace, tintLadder } from './tintLadder.ts';

const own = (kind: MaterialKind, colour: string, colourIndex = '', looks: Looks = noLooks) =>
  defaultOptics({ kind, colour, colourIndex, window: { faint: 0.5, typical: 5, ceiling: 12 }, looks });
const aYear: Stage = { hours: 365 * 24, gel: 1 };

const coloured = startingShelf().filter((m) => m.optics && m.colour && !m.optics.specks);

describe('default curves', () => {
  it.each(coloured.map((m) => [m.name, m] as const))(
    '%s meets its stated colour at the typical dose within ΔE00 3',
    (_, m) => {
      const got = predictLab(referenceCanvas, [{ optics: m.optics!, dose: m.window!.typical }], cured(1));
      expect(deltaE00(got, labD65FromHex(m.colour!))).toBeLessThan(3);
    },
  );

  it.each([
    ['spirulina', '#8fb087', cured(0)],
    ['indigo', '#8795a0', cured(0)],
    ['woad', '#9aa3a6', cured(0)],
    ['turmeric', '#c4602c', fresh()],
    ['turmeric', '#dccb9c', { ...aYear, light: true }],
    ['spirulina', '#a39a72', { ...aYear, light: true }],
    ['mica-parasol', '#e8b04a', fresh()],
    ['iron-blue', '#2f4d80', fresh()],
  ] as const)('%s meets its second stated colour %s', (id, hex, stage) => {
    const m = shelfItem(id);
    const got = predictLab(referenceCanvas, [{ optics: m.optics!, dose: m.window!.typical }], stage);
    expect(deltaE00(got, labD65FromHex(hex))).toBeLessThan(3);
  });

  it('is just seen below the typical dose and keeps on changing up to the ceiling', () => {
    for (const m of coloured.filter((c) => !isPale(c))) {
      const at = (dose: number) => predictLab(referenceCanvas, [{ optics: m.optics!, dose }], cured(1));
      const seen = justSeen(referenceCanvas, m.optics!, cured(1), m.window!.ceiling)!;
      expect(seen).toBeLessThan(m.window!.typical);
      expect(deltaE00(at(seen), at(0))).toBeCloseTo(SEEN_FROM, 3);
      expect(deltaE00(at(m.window!.ceiling), at(m.window!.typical))).toBeGreaterThan(0.3);
    }
    expect(justSeen(referenceCanvas, shelfItem('kaolin').optics!, cured(1), 0.5)).toBeNull();
  });

  // The ranges that each is known to lie in, per g/kg on the scale of the ungelled cured base.
  it.each([
    [['titanium-dioxide-oil', 'titanium-dioxide-water'], 0.3, 0.9],
    [['zinc-oxide'], 0.06, 0.2],
    [['red-iron-oxide', 'yellow-iron-oxide', 'black-iron-oxide', 'chromium-oxide-green'], 0.1, 0.3],
    [['ultramarine-blue', 'ultramarine-violet', 'ultramarine-pink'], 0.01, 0.04],
    [['activated-charcoal'], 0.005, 0.02],
    [['kaolin', 'rose-clay', 'green-illite', 'bentonite', 'rhassoul'], 0.008, 0.03],
    [['mica-hoarfrost'], 0.02, 0.1],
    [['mica-lido', 'mica-lantern', 'mica-anvil'], 0.02, 0.04],
    [['neon-pink', 'neon-yellow'], 0.015, 0.025],
    [['spirulina', 'madder', 'cocoa', 'turmeric'], 0.005, 0.02],
  ] as const)('%p scatter between %p and %p', (ids, least, most) => {
    for (const id of ids) {
      expect(Math.min(...shelfItem(id).optics!.s)).toBeGreaterThanOrEqual(least);
      expect(Math.max(...shelfItem(id).optics!.s)).toBeLessThanOrEqual(most);
    }
  });

  it('leaves no material without absorption that a fit could move', () => {
    for (const m of coloured) expect(Math.max(...m.optics!.k) * m.window!.typical).toBeGreaterThan(0.002);
  });

  it('leaves the bands where the entries put them', () => {
    const peak = (id: string) => {
      const { k } = shelfItem(id).optics!;
      return 380 + 10 * k.indexOf(Math.max(...k));
    };
    expect(Math.abs(peak('ultramarine-violet') - 555)).toBeLessThanOrEqual(10);
    expect(Math.abs(peak('neon-yellow') - 445)).toBeLessThanOrEqual(10);
    expect(Math.abs(peak('neon-green') - 435)).toBeLessThanOrEqual(10);
    for (const id of ['spirulina', 'chlorella', 'nettle'])
      expect(Math.abs(peak(id) - 430)).toBeLessThanOrEqual(10);
  });

  it('whitens with titanium dioxide only, a little with zinc, not with clay or pearl', () => {
    const lightness = (id: string, dose: number, colour: string, strength: number) =>
      predictLab(
        referenceCanvas,
        [
          { optics: shelfItem(colour).optics!, dose: strength },
          { optics: shelfItem(id).optics!, dose },
        ],
        cured(1),
      )[0];
    const blue = lightness('kaolin', 0, 'ultramarine-blue', 5);
    expect(lightness('titanium-dioxide-oil', 6, 'ultramarine-blue', 5)).toBeGreaterThan(blue + 15);
    expect(lightness('zinc-oxide', 8, 'ultramarine-blue', 5)).toBeGreaterThan(blue + 5);
    expect(lightness('kaolin', 15, 'ultramarine-blue', 5)).toBeLessThan(blue + 6);
    // Charcoal with a pearl stays near black.
    expect(lightness('mica-hoarfrost', 6, 'activated-charcoal', 4)).toBeLessThan(32);
  });
});

describe('the starting shelf', () => {
  const shelf = startingShelf();

  it('holds every kind, with unique ids and names', () => {
    expect(new Set(shelf.map((m) => m.id)).size).toBe(shelf.length);
    expect(new Set(shelf.map((m) => m.name)).size).toBe(shelf.length);
    expect(shelf.filter((m) => m.kind === 'mica')).toHaveLength(14);
    expect(shelf.filter((m) => m.kind === 'fluorescent')).toHaveLength(5);
    expect(shelf.filter((m) => m.kind === 'pigment')).toHaveLength(17);
    expect(shelf.filter((m) => m.kind === 'clay')).toHaveLength(8);
  });

  it('has ordered windows, known carriers and words for each dosed item', () => {
    for (const m of shelf.filter((s) => s.window)) {
      const { faint, typical, ceiling } = m.window!;
      expect(faint ?? 0).toBeLessThan(typical);
      expect(typical).toBeLessThan(ceiling);
      expect(m.carriers.length).toBeGreaterThan(0);
      expect(m.behaviour.length).toBeGreaterThan(10);
    }
  });

  it('has one fast mica, one that misleads while fresh, one that holds iron blue', () => {
    const micas = shelf.filter((m) => m.kind === 'mica');
    expect(micas.filter((m) => m.pace === 0.6)).toHaveLength(1);
    expect(micas.filter((m) => m.optics!.fresh)).toHaveLength(1);
    expect(micas.filter((m) => m.optics!.becomes)).toHaveLength(1);
  });

  it('keeps half of flare violet through saponification', () => {
    const violet = shelfItem('neon-violet').optics!;
    const at = (stage: Parameters<typeof predictLab>[2]) =>
      predictLab(referenceCanvas, [{ optics: violet, dose: 4 }], stage);
    expect(at(atCut())[0]).toBeGreaterThan(at(fresh())[0]);
  });

  it('reads the carrier column', () => {
    expect(carriersFrom('O 2, W 2.5, B')).toEqual([
      { medium: 'oil', ratio: 2 },
      { medium: 'water', ratio: 2.5 },
      { medium: 'batch-oils', ratio: 0 },
    ]);
    expect(() => carriersFrom('Q 2')).toThrow('Unknown carrier "Q 2"');
  });
});

describe('a material of one’s own', () => {
  it.each([
    ['pigment', '#7a2f4f'],
    ['mica', '#37a0c8'],
    ['clay', '#b9a37c'],
    ['botanical', '#7f9a3d'],
  ] as const)('a %s picked as %s gets a curve that meets it', (kind, hex) => {
    const got = predictLab(referenceCanvas, [{ optics: own(kind, hex)!, dose: 5 }], cured(1));
    expect(deltaE00(got, labD65FromHex(hex))).toBeLessThan(3);
  });

  it('has no curve for an oil or a scent', () => {
    expect(own('oil', '#aabbcc')).toBeNull();
  });

  it('scatters as its colour index and its kind do, not as its colour would like', () => {
    const scatter = (...args: Parameters<typeof own>) => own(...args)!.s[0]!;
    expect(scatter('mica', '#f4f3ef')).toBe(0.05);
    expect(scatter('mica', '#37a0c8')).toBe(0.03);
    expect(scatter('pigment', '#f0ede2')).toBe(0.5);
    expect(scatter('pigment', '#e8e3d6', 'CI 77947')).toBe(0.1);
    expect(scatter('pigment', '#4a63b0', 'CI 77007')).toBe(0.02);
    expect(scatter('pigment', '#3b3c3e', 'ci 77268:1')).toBe(0.01);
  });

  it('knows its look in the pot, ungelled and faded', () => {
    const optics = own('botanical', '#d2a353', '', {
      ungelled: '#c9b27a',
      fresh: { colour: '#c4602c', halfLife: 10 },
      fades: { keeps: 0.5, to: '#dccb9c', days: 60 },
    })!;
    const at = (stage: Stage) => predictLab(referenceCanvas, [{ optics, dose: 5 }], stage);
    expect(deltaE00(at(fresh()), labD65FromHex('#c4602c'))).toBeLessThan(1);
    expect(deltaE00(at(cured(0)), labD65FromHex('#c9b27a'))).toBeLessThan(1);
    expect(deltaE00(at(cured(1)), labD65FromHex('#d2a353'))).toBeLessThan(1);
    expect(deltaE00(at({ ...aYear, light: true }), labD65FromHex('#dccb9c'))).toBeLessThan(1);
    // The same way in the dark, only slower.
    const dark = deltaE00(at(aYear), labD65FromHex('#dccb9c'));
    expect(dark).toBeGreaterThan(3);
    expect(dark).toBeLessThan(deltaE00(at(cured(1)), labD65FromHex('#dccb9c')));
    // Nothing said of what it comes to: it keeps that share of its strength.
    const plain = own('botanical', '#d2a353', '', { ...noLooks, fades: { keeps: 0.5, to: null, days: 60 } })!;
    const far = absorptionAt(plain, { hours: 1e7, gel: 1, light: true }, new Float64Array(36));
    expect(far[5]! / plain.k[5]!).toBeCloseTo(0.5, 6);
  });
});

describe('tint ladder', () => {
  it('runs from faint to ceiling in equal ratios, deeper when gelled', () => {
    const ladder = tintLadder(shelfItem('red-iron-oxide'))!;
    expect(ladder.doses).toHaveLength(LADDER_STEPS);
    expect(ladder.doses[0]).toBeCloseTo(0.2, 9);
    expect(ladder.doses.at(-1)).toBeCloseTo(6, 9);
    const ratios = ladder.doses.slice(1).map((d, i) => d / ladder.doses[i]!);
    expect(Math.max(...ratios) - Math.min(...ratios)).toBeLessThan(1e-9);
    expect(labD65FromHex(ladder.gelled[3]!.hex)[0]).toBeLessThan(labD65FromHex(ladder.ungelled[3]!.hex)[0]);
  });

  it('is null for what has no colour', () => {
    expect(tintLadder(shelfItem('oil-olive'))).toBeNull();
    expect(tintLadder(shelfItem('sugar'))).toBeNull();
  });
});

describe('shelf face', () => {
  it('shows doses of a colourant, the bare bar of an oil, the browning of a scent', () => {
    expect(shelfFace(shelfItem('red-iron-oxide'))).toMatchObject({ shows: 'doses' });
    expect(shelfFace(shelfItem('oil-palm-unrefined'))).toMatchObject({ shows: 'oil', doses: [] });
    const lightness = (id: string) => labD65FromHex(shelfFace(shelfItem(id))!.ungelled[0]!.hex)[0];
    expect(lightness('scent-oat-biscuit')).toBeLessThan(lightness('scent-wet-slate') - 15);
    expect(shelfFace(shelfItem('sugar'))).toBeNull();
  });
});
