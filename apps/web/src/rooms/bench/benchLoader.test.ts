import { type BatchDocument } from '@kleur/contract';
import { emptyPlan } from '@kleur/core/plan';
import { batchDocument } from '../../../test/batch.ts';
import { testStore } from '../../../test/render.tsx';
import { fakeStorage } from '../../../test/storage.ts';
import { benchLoader, shouldReload } from './benchLoader.ts';
import { draftsOf } from '../../data/drafts.ts';
import { batchSaves, startSaving, writeOf } from '../../data/batchSaves.ts';

const stored = fakeStorage().kept;
const document = batchDocument({ name: 'Verdigris roofs', version: 4 });
let asked: string[] = [];
function serve(answer: (method: string, body: unknown) => readonly [number, object]): void {
  globalThis.fetch = jest.fn(async (input: Request | string | URL) => {
    const request = input as Request;
    asked.push(request.method);
    const text = await request.clone().text();
    const [status, body] = answer(request.method, text === '' ? null : JSON.parse(text));
    const headers = { 'content-type': 'application/json' };
    return new Response(JSON.stringify(body), { status, headers });
  });
}
beforeEach(() => {
  stored.clear();
  asked = [];
});
/** What a tab that has gone left behind. */
const gone = draftsOf<unknown>('kleur.draft', 'gone', (kept) => kept);

let end: () => void = () => undefined;
afterEach(async () => {
  batchSaves.drop('b1');
  await Promise.resolve();
  end();
});
const load = async (times = 1) => {
  const store = await testStore();
  end = startSaving(store);
  const loader = benchLoader(store.dispatch);
  const args = { params: { id: 'b1' } } as never;
  return Promise.all(Array.from({ length: times }, () => loader(args)));
};

it('loads the batch of the address, also when it is asked for twice at once', async () => {
  serve(() => [200, document]);
  expect(await load(2)).toEqual([
    { document, unsent: null },
    { document, unsent: null },
  ]);
  expect(asked.length).toBeGreaterThan(0);
});

it('sends first what a tab that has gone left behind', async () => {
  let now = document;
  serve((method, body) => {
    if (method === 'PUT') now = { ...document, ...(body as BatchDocument), version: 5 };
    return [200, now];
  });
  gone.keep('b1', { baseVersion: 4, document: { ...writeOf(document), name: 'Mine' }, lost: [] });
  expect(await load()).toMatchObject([{ document: { name: 'Mine', version: 5 }, unsent: null }]);
  expect(asked[0]).toBe('PUT');
  expect(stored.size).toBe(0);
});

it('brings along what meets a newer version, and brings an older schema up', async () => {
  serve((method) =>
    method === 'PUT' ? [409, { code: 'stale-version', message: '', fields: [] }] : [200, document],
  );
  const { schema: _schema, ...plan } = emptyPlan();
  const old = { ...writeOf(document), name: 'Old', plan: { ...plan, schema: 4 } };
  stored.set('kleur.draft.b1', JSON.stringify({ baseVersion: 2, batch: old }));
  expect(await load()).toMatchObject([
    {
      document,
      unsent: { version: 2, document: { name: 'Old', plan: emptyPlan() }, saving: { status: 'conflict' } },
    },
  ]);
  expect([...stored.values()].join()).toContain('Old');
});

it('takes for saved what the server has already, whatever the order of its keys', async () => {
  serve((method) =>
    method === 'PUT' ? [409, { code: 'stale-version', message: '', fields: [] }] : [200, document],
  );
  const { plan, ...rest } = writeOf(document);
  gone.keep('b1', { baseVersion: 3, document: { plan, ...rest }, lost: [] });
  expect(await load()).toEqual([{ document, unsent: null }]);
});

it('says what the server refuses, and that there is more here', async () => {
  serve(() => [404, { code: 'not-found', message: 'The batch was not found.', fields: [] }]);
  expect(await load()).toEqual([{ problem: 'The batch was not found.', unsent: null, isGone: true }]);
  gone.keep('b1', { baseVersion: 3, document: writeOf(document), lost: [] });
  expect(await load()).toMatchObject([{ isGone: true, unsent: { saving: { status: 'gone' } } }]);
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
