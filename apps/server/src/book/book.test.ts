import {
  type BatchPage,
  type BookBase,
  type BookEffect,
  type BookFit,
  type BookPage,
  type FitAnswer,
  type FitRequest,
  type Learning,
  type MaterialWire,
  type PredictResponse,
  type Problem,
  routes,
  type TestBarWrite,
  type TrialAsk,
} from '@kleur/contract';
import { type ProposedBar } from '@kleur/core/evidence';
import { barsOfTable, guessRoles, parseCgats, readBarTable } from '@kleur/core/formats';
import { startApp, type TestApp } from '../../test/app.ts';

let t: TestApp;
beforeAll(async () => {
  t = await startApp('demo');
}, 60_000);
afterAll(() => t.close());

const shelfItem = async (id: string): Promise<MaterialWire> =>
  (await t.api.get(routes.material(id)).expect(200)).body as MaterialWire;
const book = async (): Promise<BookPage> => (await t.api.get(routes.book).expect(200)).body as BookPage;
const fit = async (): Promise<BookFit> => (await t.api.post(routes.bookFit).expect(200)).body as BookFit;
const labOf = async (materialId: string, dose: number): Promise<readonly number[]> => {
  const { pots } = (
    await t.api
      .post(routes.predict)
      .send({
        oils: [],
        pots: [{ name: '', doses: [{ materialId, dose }] }],
        stages: [{ hours: 1008, gel: 1 }],
      })
      .expect(200)
  ).body as PredictResponse;
  return pots[0]!.stages[0]!.lab;
};

describe('the studio of the demo', () => {
  it('has tested some of its colourants, and knows them from their bars', async () => {
    const { readings } = await book();
    const fitted = ((await t.api.get(routes.materials)).body as MaterialWire[]).filter(
      (m) => m.curve?.origin.kind === 'fitted',
    );
    expect(fitted.map((m) => m.id).sort()).toEqual([
      'green-illite',
      'mica-lantern',
      'mica-ribbon',
      'mica-signal',
      'ultramarine-violet',
    ]);
    for (const { id, curve } of fitted) {
      const own = readings.filter((r) => r.batchId === null && r.doses.some((d) => d.materialId === id));
      expect(curve!.origin).toMatchObject({ version: 1, readings: own.length });
      expect(curve!.typicalMiss).toBeLessThan(2);
      expect(own.every((r) => r.spectrum?.length === 36 && r.hours === 1008)).toBe(true);
    }
    expect(((await t.api.get(routes.bookLearnings)).body as Learning[])[0]!.curves).toHaveLength(5);
  });
});

describe('the readings of all batches', () => {
  it('stand with what was really in their pots', async () => {
    const { readings } = await book();
    expect(readings.length).toBeGreaterThan(20);
    const red = readings.find((r) => r.batchName === 'Canyon strata' && r.potName === 'Red wall')!;
    expect(red.doses.map((d) => d.materialId)).toEqual(['red-iron-oxide']);
    expect(red.doses[0]!.dose).toBeGreaterThan(0.5);
  });

  it('leave out those of a batch that was deleted, and take them back in', async () => {
    const { items } = (await t.api.get(routes.batches)).body as BatchPage;
    const { id } = items.find((b) => b.name === 'Canyon strata')!;
    await t.api.delete(routes.batch(id));
    expect((await book()).readings.filter((r) => r.batchId === id)).toEqual([]);
    await t.api.post(routes.batchRestore(id));
    expect((await book()).readings.some((r) => r.batchId === id)).toBe(true);
  });
});

it('goes out as CGATS, which reads back the same, and as CSV', async () => {
  const { readings } = await book();
  const { text, headers } = await t.api.get(routes.bookCgats).expect(200);
  expect(headers['content-disposition']).toContain('kleur-readings.txt');
  const { samples } = parseCgats(text);
  expect(samples).toHaveLength(readings.length);
  samples.forEach((s, i) => {
    const r = readings[i]!;
    expect(s.name).toBe(r.batchId === null ? r.potName : `${r.batchName}, ${r.potName}`);
    s.lab!.forEach((v, c) => expect(v).toBeCloseTo(r.lab[c]!, 4));
    expect(s.rest.DOSES!.split(' ').filter((d) => d !== '')).toHaveLength(r.doses.length);
  });
  const csv = (await t.api.get(routes.bookCsv).expect(200)).text.trim().split('\r\n');
  expect(csv).toHaveLength(readings.length + 1);
  expect(csv[0]).toBe('batch,pot,on,L,a,b,doubt,doses,hours,gel,face,how,instrument,lot');
  const table = readBarTable(csv.join('\r\n'));
  const { bars } = barsOfTable(table, { roles: guessRoles(table), white: 'D65', perDose: 1 });
  expect(bars.some(({ lab }) => lab!.some((v) => v < 0))).toBe(true);
  bars.forEach((bar, i) => {
    const r = readings[i]!;
    expect(bar).toMatchObject({ on: r.on, name: r.potName, lot: r.lot ?? '' });
    bar.lab!.forEach((v, c) => expect(v).toBeCloseTo(r.lab[c]!, 2));
    expect(bar.doses).toHaveLength(r.doses.length);
  });
});

describe('bars of one’s own', () => {
  const own = {
    id: 'own-bar',
    name: 'Mine',
    on: '2026-03-09',
    hours: 1008,
    gel: 1,
    lab: [50, 25, 25],
    how: 'lab',
    doubt: 1,
    note: '',
    doses: [],
    oils: [],
    vanillin: 0,
  };
  it('are opened, corrected and removed', async () => {
    await t.api
      .post(routes.bookBars)
      .send({ bars: [own] })
      .expect(201);
    expect((await t.api.get(routes.bookBar('own-bar')).expect(200)).body).toMatchObject(own);
    const right = { ...own, name: 'Red', doses: [{ materialId: 'red-iron-oxide', dose: 2 }] };
    await t.api.put(routes.bookBar('own-bar')).send(right).expect(200);
    expect((await t.api.get(routes.bookBar('own-bar'))).body).toMatchObject(right);
    expect((await book()).readings.find((r) => r.id === 'own-bar')!.doses).toEqual(right.doses);
    const wrong = { ...right, doses: [{ materialId: 'no-such', dose: 2 }] };
    expect((await t.api.put(routes.bookBar('own-bar')).send(wrong).expect(422)).body.code).toBe(
      'unknown-material',
    );
    await t.api
      .put(routes.bookBar('no-bar'))
      .send({ ...right, id: 'no-bar' })
      .expect(404);
    await t.api.delete(routes.bookBar('own-bar')).expect(200);
    await t.api.get(routes.bookBar('own-bar')).expect(404);
  });

  it('that a simulated instrument read are shown and not learnt from', async () => {
    const before = await fit();
    const bar = {
      ...own,
      id: 'pretend',
      doses: [{ materialId: 'red-iron-oxide', dose: 2 }],
      simulated: true,
    };
    await t.api
      .post(routes.bookBars)
      .send({ bars: [bar] })
      .expect(201);
    expect((await book()).readings.find((r) => r.id === 'pretend')).toMatchObject({ simulated: true });
    const after = await fit();
    expect(after.fitId).toBe(before.fitId);
    expect(after.readings.map((r) => r.id)).not.toContain('pretend');
    await t.api.delete(routes.bookBar('pretend')).expect(200);
  });
});

describe('a fit to them', () => {
  it('misses them less than the shelf does, and changes nothing by itself', async () => {
    const before = await shelfItem('red-iron-oxide');
    const { materials, readings, typicalMiss } = await fit();
    const mean = (of: (r: BookFit['readings'][number]) => number): number =>
      readings.reduce((sum, r) => sum + of(r), 0) / readings.length;
    expect(mean((r) => r.missAfter)).toBeLessThan(mean((r) => r.missBefore));
    expect(typicalMiss).toBeGreaterThan(0);
    const red = materials.find((m) => m.id === 'red-iron-oxide')!;
    expect(red.readings).toBeGreaterThan(1);
    expect(red.spread).toBeLessThan(before.curve!.spread);
    expect(await shelfItem('red-iron-oxide')).toEqual(before);
  });

  it('is taken over into the shelf, counts its versions, changes what is predicted, and can be given up', async () => {
    const [before, colour] = [await shelfItem('red-iron-oxide'), await labOf('red-iron-oxide', 2)];
    const { fitId } = await fit();
    const accept = { fitId, materialIds: ['red-iron-oxide'] };
    const forget = { materialIds: ['red-iron-oxide'] };
    const [taken] = (await t.api.post(routes.bookAccept).send(accept).expect(200)).body as MaterialWire[];
    expect(taken!.curve!.origin).toMatchObject({ kind: 'fitted', version: 2 });
    expect(taken!.version).toBe(before.version + 1);
    expect(await labOf('red-iron-oxide', 2)).not.toEqual(colour);
    // A second fit starts from the same place: the same readings give the same curve.
    const [again] = (await t.api.post(routes.bookAccept).send(accept).expect(200)).body as MaterialWire[];
    expect(again!.curve!.origin).toMatchObject({ version: 3 });
    expect(again!.optics).toEqual(taken!.optics);
    expect(((await t.api.get(routes.bookLearnings)).body as Learning[]).map((l) => l.version)).toEqual([
      3, 2, 1,
    ]);
    const [earlier] = (
      await t.api
        .post(routes.bookBack)
        .send({ version: 2, materialIds: ['red-iron-oxide'] })
        .expect(200)
    ).body as MaterialWire[];
    expect(earlier!.curve!.origin).toMatchObject({ version: 2 });
    // An edit of the entry leaves it alone.
    const { id: _i, optics: _o, curve: _c, builtIn: _b, version, ...write } = earlier!;
    const edited = await t.api
      .put(routes.material(earlier!.id))
      .send({ ...write, version, name: 'Gate red' });
    expect((edited.body as MaterialWire).optics).toEqual(taken!.optics);
    const [back] = (await t.api.post(routes.bookForget).send(forget).expect(200)).body as MaterialWire[];
    expect(back!.optics).toEqual(before.optics);
    expect(back!.curve).toEqual(before.curve);
  });

  it('refuses a colourant that no bar holds, and changes none of the others', async () => {
    const before = await shelfItem('red-iron-oxide');
    const { body } = await t.api
      .post(routes.bookAccept)
      .send({ fitId: (await fit()).fitId, materialIds: ['red-iron-oxide', 'no-such'] })
      .expect(400);
    expect((body as Problem).fields[0]!.path).toBe('materialIds.1');
    expect(await shelfItem('red-iron-oxide')).toEqual(before);
  });
});

describe('batches without a bare bar', () => {
  it('tell when they gel, and leave the cured base as it is known', async () => {
    await t.api.post(routes.bookForget).send({ materialIds: [], base: true }).expect(200);
    const { fitId, base } = await fit();
    expect(base).toMatchObject({ readings: 0, base: { isGuessed: true }, gel: { batches: 3 } });
    base!.after.forEach((lab, gel) =>
      lab.forEach((v, i) => expect(v).toBeCloseTo(base!.before[gel]![i]!, 1)),
    );
    await t.api.post(routes.bookAccept).send({ fitId, materialIds: [] }).expect(200);
    const { learnt } = (await t.api.get(routes.bookBase)).body as BookBase;
    expect(learnt).toMatchObject({ readings: 0, base: { isGuessed: true }, gel: base!.gel });
    await t.api.post(routes.bookForget).send({ materialIds: [], base: true }).expect(200);
  });
});

describe('bars that no batch knows of', () => {
  const bar = (id: string, change: Partial<TestBarWrite>): TestBarWrite => ({
    id,
    name: id,
    on: '2026-03-09',
    hours: 1008,
    gel: 1,
    how: 'lab',
    doubt: 0.5,
    note: '',
    doses: [],
    oils: [],
    vanillin: 0,
    ...change,
  });
  const send = (bars: readonly TestBarWrite[]) => t.api.post(routes.bookBars).send({ bars });
  const greyBase = [bar('bare-1', { lab: [80, -1, 12] }), bar('bare-0', { lab: [86, -1, 8], gel: 0 })];

  it('are kept once, stand in the book, and can be deleted', async () => {
    await send(greyBase).expect(201);
    await send(greyBase).expect(201);
    const own = (await book()).readings.filter((r) => r.id.startsWith('bare-'));
    expect(own).toHaveLength(2);
    expect(own[0]).toMatchObject({ batchId: null, face: null, doses: [], hours: 1008 });
    await t.api.delete(routes.bookBar('bare-1')).expect(200);
    // Sent again by a device that has not heard of it: it stays deleted until it is restored.
    await send(greyBase).expect(201);
    expect((await book()).readings.filter((r) => r.id.startsWith('bare-'))).toHaveLength(1);
    await t.api.post(routes.bookBarRestore('bare-1')).expect(200);
  });

  it('tell the base, which predictions then count on until it is given up', async () => {
    await t.api.post(routes.bookForget).send({ materialIds: [], base: true }).expect(200);
    const bare = async (): Promise<readonly number[]> =>
      (
        (
          await t.api
            .post(routes.predict)
            .send({ oils: [], pots: [{ name: '', doses: [] }], stages: [{ hours: 1008, gel: 1 }] })
        ).body as PredictResponse
      ).pots[0]!.stages[0]!.lab;
    const before = await bare();
    const { fitId, base } = await fit();
    expect(base!.readings).toBe(2);
    expect(base!.after[1][0]).toBeLessThan(base!.before[1][0] - 1);
    expect(base!.before[1][0]).toBeCloseTo(before[0]!, 1);
    await t.api
      .post(routes.bookAccept)
      .send({ fitId, materialIds: ['red-iron-oxide'] })
      .expect(200);
    const { learnt } = (await t.api.get(routes.bookBase)).body as BookBase;
    expect(learnt).toMatchObject({ readings: 2 });
    // With it goes when the maker’s batches gel, by the cuts of those that were let be.
    expect(base!.gel).toEqual({ shift: expect.any(Number) as number, batches: 3 });
    expect(learnt!.gel).toEqual(base!.gel);
    (await bare()).forEach((v, i) => expect(v).toBeCloseTo(base!.after[1][i]!, 1));
    await t.api
      .post(routes.bookForget)
      .send({ materialIds: ['red-iron-oxide'], base: true })
      .expect(200);
    expect(((await t.api.get(routes.bookBase)).body as BookBase).learnt).toBeNull();
    expect(await bare()).toEqual(before);
  });

  it('tell the base alone as well, without any colourant', async () => {
    const { fitId } = await fit();
    await t.api.post(routes.bookAccept).send({ fitId, materialIds: [] }).expect(200);
    expect(((await t.api.get(routes.bookBase)).body as BookBase).learnt).toMatchObject({ readings: 2 });
    await t.api.post(routes.bookForget).send({ materialIds: [], base: true }).expect(200);
    expect(((await t.api.get(routes.bookBase)).body as BookBase).learnt).toBeNull();
  });

  it('are not taken over from a fit that was seen before others came', async () => {
    const { fitId } = await fit();
    await send([bar('late', { lab: [60, 10, 10], doses: [{ materialId: 'red-iron-oxide', dose: 1 }] })]);
    const { body } = await t.api.post(routes.bookAccept).send({ fitId, materialIds: [] }).expect(409);
    expect((body as Problem).code).toBe('stale-version');
  });

  it('go out with their spectra, as they came', async () => {
    const spectrum = Array.from({ length: 36 }, (_, i) => 0.2 + i / 100);
    await send([bar('read', { spectrum, how: 'reader', instrument: 'Lens', lot: '7' })]).expect(201);
    const entry = (await book()).readings.find((r) => r.id === 'read')!;
    expect(entry.lab[0]).toBeGreaterThan(50);
    const { samples } = parseCgats((await t.api.get(routes.bookSpectra).expect(200)).text);
    const own = samples.filter((s) => s.name === entry.potName);
    expect(own).toHaveLength(1);
    own[0]!.spectrum!.forEach((v, i) => expect(v).toBeCloseTo(spectrum[i]!, 5));
    expect(own[0]!.rest).toMatchObject({ INSTRUMENT: 'Lens', LOT: '7' });
  });

  it.each<[string, Partial<TestBarWrite>, string]>([
    [
      'a dose of zero',
      { lab: [50, 0, 0], doses: [{ materialId: 'red-iron-oxide', dose: 0 }] },
      'doses.0.dose',
    ],
    [
      'one colourant twice',
      {
        lab: [50, 0, 0],
        doses: [
          { materialId: 'red-iron-oxide', dose: 1 },
          { materialId: 'red-iron-oxide', dose: 2 },
        ],
      },
      'doses.1.materialId',
    ],
    [
      'a colourant that is not there',
      { lab: [50, 0, 0], doses: [{ materialId: 'no', dose: 1 }] },
      'materialId',
    ],
    ['neither spectrum nor colour', {}, 'lab'],
    ['percent for a spectrum', { spectrum: Array<number>(36).fill(45) }, 'spectrum'],
    ['too few bands', { spectrum: [0.5] }, 'spectrum'],
  ])('are refused with %s, and none of them is kept', async (_, change, path) => {
    const { body, status } = await send([bar('good', { lab: [50, 0, 0] }), bar('bad', change)]);
    expect([400, 422]).toContain(status);
    expect((body as Problem).fields[0]!.path).toContain(path);
    expect((await book()).readings.some((r) => r.id === 'good')).toBe(false);
  });
});

describe('bars that would teach most', () => {
  const ask: TrialAsk = {
    materialIds: ['ultramarine-blue'],
    whiteId: 'titanium-dioxide-oil',
    gelled: [true, false],
    bare: true,
    doubt: 1,
    count: 4,
  };
  it('are proposed with what they would teach', async () => {
    const { body } = await t.api.post(routes.bookTrial).send(ask).expect(200);
    const bars = body as ProposedBar[];
    expect(bars).toHaveLength(4);
    expect(bars[0]!.after).toBeLessThan(bars[0]!.before);
  });
  it.each<[string, Partial<TrialAsk>, string]>([
    ['that are not on the shelf', { materialIds: ['no-such'] }, 'materialIds.0'],
    ['that have no colour', { whiteId: 'oil-olive' }, 'whiteId'],
    ['in no gel', { gelled: [] }, 'gelled'],
    ['none at all', { count: 0 }, 'count'],
  ])('are refused of colourants %s', async (_, change, path) => {
    const { body } = await t.api
      .post(routes.bookTrial)
      .send({ ...ask, ...change })
      .expect(400);
    expect((body as Problem).fields[0]!.path).toBe(path);
  });
});

describe('a fit for programs', () => {
  const blue = {
    id: 'blue',
    kind: 'pigment' as const,
    colour: '#4a63b0',
    typical: 4,
    colourIndex: 'CI 77007',
  };
  const bar = (id: string, dose: number, lab: number[]) => ({
    id,
    doses: [{ materialId: 'blue', dose }],
    hours: 1008,
    gel: 1,
    lab,
  });
  const ask = (body: FitRequest) => t.api.post(routes.fit).send(body);

  it('answers curves, spreads and misses', async () => {
    const readings = [bar('pale', 1.5, [58, -2, -24]), bar('deep', 6, [36, 9, -42])];
    const { body } = await ask({ materials: [blue], readings }).expect(200);
    const { materials, readings: misses, base } = body as FitAnswer;
    expect(materials[0]).toMatchObject({ id: 'blue', readings: 2 });
    expect(materials[0]!.optics.k).toHaveLength(36);
    expect(base.kGelled).toHaveLength(36);
    for (const r of misses) expect(r.missAfter).toBeLessThan(r.missBefore);
  });

  it('answers what predictions take by value, base and all', async () => {
    const bare = { ...bar('bare', 0, [84, 1, 15]), doses: [] };
    const readings = [bare, bar('pale', 1.5, [56, -2, -22]), bar('deep', 6, [34, 9, -40])];
    const {
      materials,
      base,
      readings: misses,
    } = (await ask({ materials: [blue], readings }).expect(200)).body as FitAnswer;
    const doses = (dose: number) => [{ materialId: 'blue', dose }];
    const { pots } = (
      await t.api
        .post(routes.predict)
        .send({
          oils: [],
          materials: materials.map(({ id, optics }) => ({ id, optics })),
          base,
          pots: [
            { name: 'bare', doses: [] },
            { name: 'pale', doses: doses(1.5) },
            { name: 'deep', doses: doses(6) },
            { name: 'brown', doses: [], vanillin: 3 },
          ],
          stages: [{ hours: 1008, gel: 1 }],
        })
        .expect(200)
    ).body as PredictResponse;
    misses.forEach((r, i) => {
      pots[i]!.stages[0]!.lab.forEach((v, c) => expect(Math.abs(v - r.after[c]!)).toBeLessThan(0.1));
    });
    expect(pots[3]!.stages[0]!.lab[0]).toBeLessThan(pots[0]!.stages[0]!.lab[0]! - 15);
  });

  it('takes spectra, a curve of one’s own, and no readings at all', async () => {
    const flat = { ...bar('flat', 2, []), lab: undefined, spectrum: Array.from({ length: 36 }, () => 0.3) };
    const first = (await ask({ materials: [blue], readings: [flat] }).expect(200)).body as FitAnswer;
    expect(first.readings[0]!.missAfter).toBeLessThan(3);
    const own = { ...blue, optics: first.materials[0]!.optics };
    const none = (await ask({ materials: [own], readings: [] }).expect(200)).body as FitAnswer;
    expect(none.materials[0]).toMatchObject({ optics: own.optics, readings: 0, typicalMiss: null });
  });

  it.each([
    [
      'an unknown material',
      { materials: [], readings: [bar('a', 2, [50, 0, 0])] },
      'readings.0.doses.0.materialId',
    ],
    [
      'neither spectrum nor Lab',
      { materials: [blue], readings: [{ ...bar('a', 2, []), lab: undefined }] },
      'readings.0',
    ],
    ['an id used twice', { materials: [blue, blue], readings: [] }, 'materials.1.id'],
    [
      'a kind without a colour',
      { materials: [{ ...blue, kind: 'oil' as const }], readings: [] },
      'materials.0.kind',
    ],
  ])('refuses %s with its place', async (_, body, path) => {
    const problem = (await ask(body as FitRequest).expect(400)).body as Problem;
    expect(problem.fields.map((f) => f.path)).toContain(path);
  });

  it.each([
    ['35 bands', { spectrum: Array.from({ length: 35 }, () => 0.3) }],
    ['percent where fractions belong', { spectrum: Array.from({ length: 36 }, () => 30) }],
    ['a negative dose', { doses: [{ materialId: 'blue', dose: -1 }] }],
    ['a gel beyond full', { gel: 2 }],
  ])('refuses %s', async (_, change) => {
    const reading = { ...bar('a', 2, [50, 0, 0]), ...change };
    const sent = 'spectrum' in change ? { ...reading, lab: undefined } : reading;
    await ask({ materials: [blue], readings: [sent] }).expect(400);
  });
});

describe('what one new bar moves', () => {
  const bar = (id: string, lab: readonly number[], doses: TestBarWrite['doses']): TestBarWrite => ({
    id,
    name: id,
    on: '2026-10-10',
    hours: 1008,
    gel: 1,
    lab: lab as [number, number, number],
    how: 'reader',
    doubt: 0.5,
    note: '',
    doses,
    oils: [],
    vanillin: 0,
  });
  const effect = async (...readingIds: string[]): Promise<BookEffect> =>
    (await t.api.post(routes.bookEffect).send({ readingIds }).expect(200)).body as BookEffect;

  it('is its own colourant alone, about as much as learning from all bars says', async () => {
    const before = await fit();
    const id = 'effect-chrome';
    const doses = [{ materialId: 'chromium-oxide-green', dose: 4 }];
    await t.api
      .post(routes.bookBars)
      .send({ bars: [bar(id, [52, -24, 20], doses)] })
      .expect(201);
    const said = await effect(id);
    expect(said.moves.map((m) => m.materialId)).toEqual(['chromium-oxide-green']);
    expect(said.readings.map((r) => r.id)).toEqual([id]);
    const after = await fit();
    const all = after.readings.find((r) => r.id === id)!;
    expect(Math.abs(said.readings[0]!.missAfter - all.missAfter)).toBeLessThan(0.4);
    expect(said.moves[0]!.deltaE).toBeGreaterThan(0);
    expect(after.fitId).not.toBe(before.fitId);
    // Once it was taken over, the shelf foretells the bar: it moves nothing more.
    const taken = { fitId: after.fitId, materialIds: ['chromium-oxide-green'] };
    await t.api.post(routes.bookAccept).send(taken).expect(200);
    const again = await effect(id);
    expect(again.moves[0]!.deltaE).toBeLessThan(0.3);
    expect(again.readings[0]!.missBefore).toBeLessThan(said.readings[0]!.missBefore);
    const forgotten = { materialIds: ['chromium-oxide-green'], base: true };
    await t.api.post(routes.bookForget).send(forgotten).expect(200);
    await t.api.delete(routes.bookBar(id)).expect(200);
  });

  it('is refused for what is no reading of the book', async () => {
    const { body } = await t.api
      .post(routes.bookEffect)
      .send({ readingIds: ['nothing'] })
      .expect(400);
    expect((body as Problem).code).toBe('invalid-input');
  });
});
