import { emptyPlan } from '@kleur/core/plan';
import { fakeStorage } from '../../../../test/storage.ts';
import { dropDraft, findDraft, keepDraft, unsavedDraft } from './drafts.ts';

const store = new Map<string, string>();
beforeEach(() => {
  store.clear();
  fakeStorage({
    getItem: (k) => store.get(k) ?? null,
    setItem: (k, v) => {
      if (store.get('full')) throw new Error('quota');
      store.set(k, v);
    },
    removeItem: (k) => store.delete(k),
  });
});

const draft = {
  baseVersion: 4,
  batch: { name: 'A', state: 'idea' as const, madeOn: null, plan: emptyPlan() },
};

it('keeps, finds and drops a draft', () => {
  keepDraft('b', draft);
  expect(findDraft('b')).toEqual(draft);
  expect(findDraft('c')).toBeNull();
  dropDraft('b');
  expect(findDraft('b')).toBeNull();
});

it('drops a draft that the server has already, whatever the order of its keys', () => {
  keepDraft('b', draft);
  const { plan, madeOn, ...rest } = draft.batch;
  expect(unsavedDraft('b', { ...draft.batch, name: 'B' })).toEqual(draft);
  expect(unsavedDraft('b', { madeOn, plan: { ...plan }, ...rest })).toBeNull();
  expect(findDraft('b')).toBeNull();
});

it('takes junk for no draft, and a full store for no reason to stop', () => {
  store.set('kleur.draft.b', '{"baseVersion":');
  expect(findDraft('b')).toBeNull();
  store.set('kleur.draft.b', '{"baseVersion":1}');
  expect(findDraft('b')).toBeNull();
  store.set('full', 'yes');
  expect(() => {
    keepDraft('b', draft);
  }).not.toThrow();
});
