import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type BatchDocument, type CalendarPage, routes, type SettingsWire } from '@kleur/contract';
import { startApp, type TestApp } from '../../test/app.ts';

let t: TestApp;
beforeEach(async () => {
  t = await startApp('demo');
}, 60_000);
afterEach(() => t.close());

const page = async (query: object = {}): Promise<CalendarPage> =>
  (await t.api.get(routes.calendar).query(query).expect(200)).body as CalendarPage;

it('lays batches out by their days, with moulds, what was logged and what was read', async () => {
  const { batches, undated } = await page();
  expect(batches.map((b) => b.madeOn)).toEqual(batches.map((b) => b.madeOn).sort());
  const canyon = batches.find((b) => b.name === 'Canyon strata')!;
  expect(canyon.poured).toBe(true);
  expect(undated.map((b) => b.name)).toEqual(['Tiled courtyard']);
  const kingfisher = batches.find((b) => b.name === 'Kingfisher')!;
  expect(kingfisher).toMatchObject({
    moulds: [{ name: 'Long loaf', count: 1 }],
    poured: false,
    pourHours: 0,
  });
  expect(batches.find((b) => b.name === 'Harbour at dusk')!.pourHours).toBe(4);
  const entries = [
    {
      id: 'c1',
      at: Date.parse('2026-10-01T10:00:00Z'),
      kind: 'done',
      potId: '',
      target: 'after/cut',
      by: '',
      value: 0,
      text: '',
    },
  ];
  await t.api.post(routes.log(canyon.id)).send({ entries }).expect(204);
  const cutOn = async () => (await page()).batches.find((b) => b.id === canyon.id)!.cutOn;
  expect(await cutOn()).toBe('2026-10-01');
  // The day is the maker's: 21:30 in Greenwich is the next morning in Sydney, an hour later in its summer time.
  const settings = (await t.api.get(routes.settings)).body as SettingsWire;
  const late = { ...entries[0]!, id: 'c2', at: Date.parse('2026-11-19T21:30:00Z') };
  await t.api
    .post(routes.log(canyon.id))
    .send({ entries: [late] })
    .expect(204);
  expect(await cutOn()).toBe('2026-11-19');
  await t.api
    .put(routes.settings)
    .send({ ...settings, timeZone: 'Mars/Base' })
    .expect(400);
  await t.api
    .put(routes.settings)
    .send({ ...settings, timeZone: 'Australia/Sydney' })
    .expect(200);
  expect(await cutOn()).toBe('2026-11-20');
  expect((await page({ from: kingfisher.madeOn })).batches.every((b) => b.madeOn >= kingfisher.madeOn)).toBe(
    true,
  );
});

it('moves several batches to other days, all of them or none', async () => {
  const { batches, undated } = await page();
  const [courtyard] = undated;
  const kingfisher = batches.find((b) => b.name === 'Kingfisher')!;
  const day = (b: { id: string; version: number }, madeOn: string, version = b.version) => ({
    id: b.id,
    version,
    madeOn,
  });
  const stale = { days: [day(courtyard!, '2027-01-04'), day(kingfisher, '2027-01-05', 99)] };
  expect((await t.api.post(routes.calendarDays).send(stale).expect(409)).body.message).toContain(
    'Kingfisher',
  );
  expect((await page()).undated).toHaveLength(1);
  await t.api
    .post(routes.calendarDays)
    .send({ days: [day(courtyard!, '2027-01-04'), day(kingfisher, '2027-01-05')] })
    .expect(204);
  const after = await page();
  expect(after.undated).toEqual([]);
  expect(after.batches.find((b) => b.id === kingfisher.id)!.madeOn).toBe('2027-01-05');
  const moved = (await t.api.get(routes.batch(kingfisher.id))).body as BatchDocument;
  expect(moved).toMatchObject({ madeOn: '2027-01-05', version: kingfisher.version + 1 });
});

it('writes a calendar file of whole days', async () => {
  const { text, headers } = await t.api.get(routes.calendarFile).expect(200);
  expect(headers['content-type']).toContain('text/calendar');
  const { batches } = await page();
  const kingfisher = batches.find((b) => b.name === 'Kingfisher')!;
  const lines = text.replace(/\r\n /g, '').split('\r\n');
  expect(lines[0]).toBe('BEGIN:VCALENDAR');
  const at = lines.indexOf('SUMMARY:Pour: Kingfisher');
  expect(at).toBeGreaterThan(0);
  const event = lines.slice(lines.lastIndexOf('BEGIN:VEVENT', at), lines.indexOf('END:VEVENT', at));
  expect(event).toContain(`DTSTART;VALUE=DATE:${kingfisher.madeOn.replaceAll('-', '')}`);
  expect(new Set(lines.filter((l) => l.startsWith('UID:'))).size).toBe(
    lines.filter((l) => l === 'BEGIN:VEVENT').length,
  );
});

it('is fed under an address that nobody guesses, until it is revoked', async () => {
  expect((await t.api.get(routes.calendarFeed)).body).toEqual({ path: null });
  const { path } = (await t.api.post(routes.calendarFeed).expect(200)).body as { path: string };
  expect(path).toMatch(/^\/feed\/[\w-]{32}\.ics$/);
  expect(JSON.parse(readFileSync(join(t.folder, 'kleur.feed.json'), 'utf8')).token).toHaveLength(32);
  expect((await t.api.get(path).expect(200)).text).toContain('BEGIN:VCALENDAR');
  await t.api.get(path.replace(/.\.ics$/, '_.ics')).expect(404);
  const renewed = (await t.api.post(routes.calendarFeed)).body as { path: string };
  await t.api.get(path).expect(404);
  await t.api.get(renewed.path).expect(200);
  await t.api.delete(routes.calendarFeed).expect(204);
  await t.api.get(renewed.path).expect(404);
  await t.api.delete(routes.calendarFeed).expect(204);
});
