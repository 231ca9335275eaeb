import { deltaE00 } from '../colour/deltaE00.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { predictLab } from '../pigment/mixer.ts';
import { atCut, cured, fresh } from '../pigment/stage.ts';
import { shelfItem } from '../testing/plans.ts';
import { carriersFrom } from './catalogue/build.ts';
import { startingShelf } from './catalogue/index.ts';
import { defaultOptics } from './ownMaterial.ts';
import { LADDER_STEPS, shelfFace, tintLadder } from './tintLadder.ts';

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
    ['turmeric', '#c4602c', fresh()],
    ['mica-parasol', '#e8b04a', fresh()],
    ['iron-blue', '#2f4d80', fresh()],
  ] as const)('%s meets its second stated colour %s', (id, hex, stage) => {
    const m = shelfItem(id);
    const got = predictLab(referenceCanvas, [{ optics: m.optics!, dose: m.window!.typical }], stage);
    expect(deltaE00(got, labD65FromHex(hex))).toBeLessThan(3);
  });

  it('shows the faint dose and keeps on changing up to the ceiling', () => {
    for (const m of coloured.filter((c) => c.window!.faint !== null)) {
      const at = (dose: number) => predictLab(referenceCanvas, [{ optics: m.optics!, dose }], cured(1));
      expect(deltaE00(at(m.window!.faint!), at(0))).toBeGreaterThan(0.5);
      expect(deltaE00(at(m.window!.ceiling), at(m.window!.typical))).toBeGreaterThan(0.3);
    }
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
    ['mica', '#f4f3ef'],
    ['clay', '#b9a37c'],
    ['botanical', '#7f9a3d'],
  ] as const)('a %s picked as %s gets a curve that meets it', (kind, hex) => {
    const window = { faint: 0.5, typical: 5, ceiling: 12 };
    const optics = defaultOptics(kind, hex, window)!;
    const got = predictLab(referenceCanvas, [{ optics, dose: 5 }], cured(1));
    expect(deltaE00(got, labD65FromHex(hex))).toBeLessThan(3);
  });

  it('has no curve for an oil or a scent', () => {
    expect(defaultOptics('oil', '#aabbcc', { faint: null, typical: 1, ceiling: 2 })).toBeNull();
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
