import { type BatchDocument } from '@kleur/contract';
import { emptyPlan } from '@kleur/core/plan';
import { testStore } from '../../../test/render.tsx';
import { fakeStorage } from '../../../test/storage.ts';
import { benchLoader, shouldReload } from './benchLoader.ts';
import { writeOf } from './state/benchSlice.ts';
import { drafts } from './state/drafts.ts';

const stored = new Map<string, string>();
fakeStorage({
  getItem: (k) => stored.get(k) ?? null,
  setItem: (k, v) => stored.set(k, v),
  removeItem: (k) => stored.delete(k),
});
const document: BatchDocument = {
  id: 'b1',
  name: 'Verdigris roofs',
  state: 'idea',
  madeOn: null,
  plan: emptyPlan(),
  version: 4,
  createdAt: '',
  updatedAt: '',
};
let asked = 0;
function serve(status: number, body: object): void {
  globalThis.fetch = jest.fn(() => {
    asked += 1;
    const headers = { 'content-type': 'application/json' };
    return Promise.resolve(new Response(JSON.stringify(body), { status, headers }));
  });
}
beforeEach(() => {
  stored.clear();
  asked = 0;
});
const load = async (times = 1) => {
  const loader = benchLoader((await testStore()).dispatch);
  const args = { params: { id: 'b1' } } as never;
  return Promise.all(Array.from({ length: times }, () => loader(args)));
};

it('loads the batch of the address, also when it is asked for twice at once', async () => {
  serve(200, document);
  expect(await load(2)).toEqual([
    { document, draft: null },
    { document, draft: null },
  ]);
  expect(asked).toBeGreaterThan(0);
});

it('brings along what this browser holds unsaved, unless the server has all of it', async () => {
  serve(200, document);
  const mine = { ...writeOf(document), name: 'Mine' };
  drafts.keep('b1', { baseVersion: 3, document: mine });
  expect(await load()).toEqual([{ document, draft: { baseVersion: 3, document: mine } }]);
  drafts.keep('b1', { baseVersion: 3, document: writeOf(document) });
  expect(await load()).toEqual([{ document, draft: null }]);
});

it('brings a draft of an older schema up to the present one', async () => {
  serve(200, document);
  const { schema: _schema, ...plan } = emptyPlan();
  const old = { ...writeOf(document), name: 'Old', plan: { ...plan, schema: 4 } };
  stored.set('kleur.draft.b1', JSON.stringify({ baseVersion: 2, batch: old }));
  expect(await load()).toMatchObject([{ draft: { document: { name: 'Old', plan: emptyPlan() } } }]);
});

it('says what the server refuses', async () => {
  serve(404, { code: 'not-found', message: 'The batch was not found.', fields: [] });
  expect(await load()).toEqual([{ problem: 'The batch was not found.' }]);
});

it('loads anew for another batch or a try again, not for another step or pot', () => {
  const at = (id: string, href: string) => ({ params: { id }, url: new URL(href, 'http://kleur.test') });
  const reload = (from: ReturnType<typeof at>, to: ReturnType<typeof at>) =>
    shouldReload({
      currentParams: from.params,
      nextParams: to.params,
      currentUrl: from.url,
      nextUrl: to.url,
    } as never);
  expect(reload(at('a', '/batches/a/pots'), at('b', '/batches/b/pots'))).toBe(true);
  expect(reload(at('a', '/batches/a/pots'), at('a', '/batches/a/base'))).toBe(false);
  expect(reload(at('a', '/batches/a/pots?pot=1'), at('a', '/batches/a/pots?pot=2'))).toBe(false);
  expect(reload(at('a', '/batches/a/pots'), at('a', '/batches/a/pots'))).toBe(true);
});
