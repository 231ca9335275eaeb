import { emptyPlan } from '@kleur/core/plan';
import { fakeStorage } from '../../../../test/storage.ts';
import { drafts, unsavedDraft } from './drafts.ts';

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
  document: { name: 'A', state: 'idea' as const, madeOn: null, plan: emptyPlan() },
};

it('keeps, finds and drops a draft', () => {
  drafts.keep('b', draft);
  expect(drafts.find('b')).toEqual(draft);
  expect(drafts.find('c')).toBeNull();
  drafts.drop('b');
  expect(drafts.find('b')).toBeNull();
});

it('drops a draft that the server has already, whatever the order of its keys', () => {
  drafts.keep('b', draft);
  const { plan, madeOn, ...rest } = draft.document;
  expect(unsavedDraft('b', { ...draft.document, name: 'B' })).toEqual(draft);
  expect(unsavedDraft('b', { madeOn, plan: { ...plan }, ...rest })).toBeNull();
  expect(drafts.find('b')).toBeNull();
});

it('brings up a draft that an earlier version left behind', () => {
  const { schema, ...plan } = emptyPlan();
  const old = { ...draft.document, plan: { ...plan, schema: schema - 1 } };
  store.set('kleur.draft.b', JSON.stringify({ baseVersion: 4, batch: old }));
  expect(drafts.find('b')).toEqual(draft);
});

it('takes junk for no draft, and a full store for no reason to stop', () => {
  store.set('kleur.draft.b', '{"baseVersion":');
  expect(drafts.find('b')).toBeNull();
  store.set('kleur.draft.b', '{"baseVersion":1}');
  expect(drafts.find('b')).toBeNull();
  store.set('kleur.draft.b', '{"baseVersion":"4","document":{"plan":{}}}');
  expect(drafts.find('b')).toBeNull();
  store.set('full', 'yes');
  expect(() => {
    drafts.keep('b', draft);
  }).not.toThrow();
});
