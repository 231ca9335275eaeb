import { type BatchDocument } from '@kleur/contract';
import { batchDocument } from '../../../../test/batch.ts';
import { fakeStorage } from '../../../../test/storage.ts';
import { testStore } from '../../../../test/render.tsx';
import {
  batchSaves,
  drafts,
  sendLeftBehind,
  setOnBench,
  startSaving,
  writeOf,
} from '../../../data/batchSaves.ts';
import { draftsOf } from '../../../data/drafts.ts';
import { selectUnsent } from '../../../data/unsent.ts';
import './autosave.ts';
import { bench, presentOf, selectBench } from './benchSlice.ts';
import { edits } from './edits.ts';
import { lookElsewhere } from './elsewhere.ts';

/** The open batch against a server that another tab has changed. */
fakeStorage();
const document = batchDocument({ name: 'Start', version: 3 });
/** What the server has; null for a batch that was deleted. */
let theirs: BatchDocument | null;
let asked: string[];
const problem = (code: string, message: string) => ({ code, message, fields: [] });

let end: () => void;
async function setUp() {
  const store = await testStore();
  theirs = document;
  asked = [];
  globalThis.fetch = jest.fn(async (input: Request | string | URL) => {
    const request = input as Request;
    asked.push(`${request.method} ${new URL(request.url).pathname.replace('/api/batches/', '')}`);
    const text = await request.clone().text();
    const answer = (status: number, body: object): Response =>
      new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
    if (theirs === null) return answer(404, problem('not-found', 'The batch was not found.'));
    if (request.method !== 'PUT') return answer(200, theirs);
    const { version, ...batch } = JSON.parse(text) as BatchDocument;
    if (version !== theirs.version) return answer(409, problem('stale-version', 'Changed.'));
    theirs = { ...theirs, ...batch, version: version + 1 };
    return answer(200, theirs);
  });
  end = startSaving(store);
  store.dispatch(bench.opened({ document }));
  const look = () => lookElsewhere('b1', store);
  const now = () => selectBench(store.getState());
  return { store, look, now };
}
afterEach(() => {
  batchSaves.drop('b1');
  batchSaves.drop('b2');
  setOnBench(null);
  end();
});

it('asks for the head alone while nothing is new', async () => {
  const { look } = await setUp();
  expect(await look()).toBe(false);
  expect(asked).toEqual(['GET b1/head']);
});

it('follows what is newer, with what was here one undo away', async () => {
  const { store, look, now } = await setUp();
  theirs = { ...document, name: 'Theirs', version: 4 };
  expect(await look()).toBe(true);
  expect(now()).toMatchObject({ version: 4, saving: { status: 'saved' } });
  expect(presentOf(now())!.name).toBe('Theirs');
  store.dispatch(bench.undone());
  expect(presentOf(now())!.name).toBe('Start');
});

it('leaves the choice to the maker where there is something unsaved', async () => {
  const { store, look, now } = await setUp();
  theirs = { ...document, name: 'Theirs', version: 4 };
  store.dispatch(edits.headChanged({ name: 'Mine' }));
  expect(await look()).toBe(false);
  expect(now().saving.status).toBe('conflict');
  expect(presentOf(now())!.name).toBe('Mine');
  expect(selectUnsent(store.getState()).batches).toEqual({
    b1: { name: 'Mine', saving: { status: 'conflict' } },
  });
  asked = [];
  await look();
  expect(asked).toEqual([]);
});

it('takes for saved what the server has already', async () => {
  const { store, look, now } = await setUp();
  store.dispatch(edits.headChanged({ name: 'Mine' }));
  theirs = { ...document, name: 'Mine', version: 4 };
  expect(await look()).toBe(false);
  expect(now()).toMatchObject({ version: 4, saving: { status: 'saved' } });
});

it('holds what was deleted elsewhere, unchanged or not', async () => {
  const { store, look, now } = await setUp();
  theirs = null;
  await look();
  expect(now().saving.status).toBe('gone');
  expect(batchSaves.unsent('b1')).toBeNull();
  store.dispatch(bench.opened({ document }));
  store.dispatch(edits.headChanged({ name: 'Mine' }));
  await look();
  expect(batchSaves.unsent('b1')).toMatchObject({ document: { name: 'Mine' }, saving: { status: 'gone' } });
});

describe('what a tab left behind', () => {
  const gone = draftsOf<unknown>('kleur.draft', 'gone', (kept) => kept);
  const older = draftsOf<unknown>('kleur.draft', 'older', (kept) => kept);
  const leave = (where: typeof gone, baseVersion: number, name: string, id = 'b2'): void => {
    where.keep(id, { baseVersion, document: { ...writeOf(document), name }, lost: [] });
  };

  it('is sent at the second look, as its tab may be loading anew at the first', async () => {
    await setUp();
    leave(gone, 3, 'Left');
    await sendLeftBehind(true);
    expect(asked).toEqual([]);
    await sendLeftBehind(true);
    await batchSaves.flush('b2');
    expect(theirs).toMatchObject({ name: 'Left', version: 4 });
    expect(drafts.ofOthers()).toEqual([]);
  });

  it('is not sent under the hands of whoever has the batch open', async () => {
    await setUp();
    setOnBench('b2');
    leave(gone, 3, 'Left');
    await sendLeftBehind();
    expect(asked).toEqual([]);
    expect(drafts.ofOthers()).toHaveLength(1);
    gone.drop('b2');
  });

  it('is kept whole when there are two: the newer is sent, the other waits to be chosen', async () => {
    const { store } = await setUp();
    leave(older, 2, 'Older');
    leave(gone, 3, 'Newer');
    await sendLeftBehind();
    await batchSaves.flush('b2');
    expect(theirs).toMatchObject({ name: 'Newer', version: 4 });
    await sendLeftBehind();
    await batchSaves.flush('b2');
    expect(theirs).toMatchObject({ name: 'Newer', version: 4 });
    expect(selectUnsent(store.getState()).batches.b2).toEqual({
      name: 'Older',
      saving: { status: 'conflict' },
    });
  });
});
