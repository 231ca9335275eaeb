import { fakeStorage } from '../../test/storage.ts';
import { draftsOf, storeWorks } from './drafts.ts';

const store = fakeStorage();
const revive = (kept: unknown): string | null => (typeof kept === 'string' ? kept.toUpperCase() : null);
const mine = draftsOf('test', 'mine', revive);
const other = draftsOf('test', 'other', revive);
const draft = { baseVersion: 4, document: 'A', lost: [] };

beforeEach(() => {
  store.kept.clear();
  store.failing = null;
});

it('keeps a draft for its own tab: another tab neither drops nor replaces it', () => {
  expect(mine.keep('b', draft)).toBe('kept');
  other.keep('b', { ...draft, document: 'B' });
  other.drop('b');
  expect(mine.ofOthers()).toEqual([]);
  expect(other.ofOthers()).toEqual([{ id: 'b', tab: 'mine', ...draft }]);
  mine.drop('b');
  expect(other.ofOthers()).toEqual([]);
});

it('hands a draft over, with what was sent without an answer', () => {
  other.keep('b', { ...draft, lost: ['X', 'Y'] });
  const [left] = mine.ofOthers();
  expect(left).toEqual({ id: 'b', tab: 'other', ...draft, lost: ['X', 'Y'] });
  mine.take(left!);
  expect(mine.ofOthers()).toEqual([]);
});

it('brings up what an earlier version left behind, which named no tab', () => {
  store.kept.set('test.b', JSON.stringify({ baseVersion: 4, batch: 'old' }));
  const [left] = mine.ofOthers();
  expect(left).toEqual({ id: 'b', tab: '', baseVersion: 4, document: 'OLD', lost: [] });
  mine.take(left!);
  expect(store.kept.size).toBe(0);
});

it('takes junk for no draft, and leaves it', () => {
  store.kept.set('test.a.other', '{"baseVersion":');
  store.kept.set('test.b.other', '{"baseVersion":1}');
  store.kept.set('test.c.other', '{"baseVersion":"4","document":"x"}');
  store.kept.set('testing.d.other', JSON.stringify(draft));
  expect(mine.ofOthers()).toEqual([]);
  expect(store.kept.size).toBe(4);
});

it.each([
  ['QuotaExceededError', 'full'],
  ['SecurityError', 'blocked'],
])('tells %s apart and does not fail', (name, keeping) => {
  expect(storeWorks()).toBe('kept');
  store.failing = name;
  expect(mine.keep('b', draft)).toBe(keeping);
  expect(storeWorks()).toBe(keeping);
  store.failing = null;
  expect(storeWorks()).toBe('kept');
  expect(store.kept.size).toBe(0);
});
