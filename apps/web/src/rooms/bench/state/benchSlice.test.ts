import { type BatchDocument, type BatchWrite } from '@kleur/contract';
import { emptyPlan } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import { type SaveOutcome } from '../../../data/saveQueue.ts';
import { bench, benchReducer, type BenchState, emptyBench, presentOf, writeOf } from './benchSlice.ts';
import { edits, type EditThunk } from './edits.ts';

const document: BatchDocument = {
  id: 'b1',
  name: 'Harbour at dusk',
  state: 'idea',
  madeOn: null,
  plan: emptyPlan(),
  version: 3,
  createdAt: '',
  updatedAt: '',
};
const opened = (): BenchState => benchReducer(emptyBench, bench.opened({ document }));
type Act = Parameters<typeof benchReducer>[1] | EditThunk;
/** The state after some acts, edits run as they are dispatched. */
const after = (state: BenchState, ...acts: Act[]): BenchState =>
  acts.reduce<BenchState>((now, act) => {
    if (typeof act !== 'function') return benchReducer(now, act);
    let next = now;
    const dispatch = (action: unknown): void => {
      next = benchReducer(now, action as Parameters<typeof benchReducer>[1]);
    };
    act(dispatch, () => ({ bench: now }));
    return next;
  }, state);
const present = (state: BenchState) => presentOf(state)!;
const ended = (outcome: SaveOutcome, sent: BatchWrite, id = 'b1') => bench.saveEnded({ id, outcome, sent });
const pots = (state: BenchState): string[] => present(state).plan.pots.map((p) => p.name);

let now = 0;
beforeEach(() => {
  now = 10_000;
  jest.spyOn(Date, 'now').mockImplementation(() => now);
});
afterEach(() => jest.restoreAllMocks());

describe('history', () => {
  it('undoes and redoes, and an edit drops what was undone', () => {
    const two = after(
      opened(),
      edits.potAdded({ id: 'a', name: 'A' }),
      edits.potAdded({ id: 'b', name: 'B' }),
    );
    const one = after(two, bench.undone());
    expect(pots(one)).toEqual(['A']);
    expect(pots(after(one, bench.redone()))).toEqual(['A', 'B']);
    const other = after(one, edits.potAdded({ id: 'c', name: 'C' }));
    expect(other.history!.future).toEqual([]);
    expect(pots(after(other, bench.undone(), bench.undone(), bench.undone()))).toEqual([]);
  });

  it('joins quick edits of one field into one step, and keeps slow ones apart', () => {
    let state = opened();
    for (const total of [900, 950, 1100]) {
      state = after(state, edits.baseSet({ totalOils: grams(total) }));
      now += 300;
    }
    expect(state.history!.past).toHaveLength(1);
    now += 5000;
    state = after(state, edits.baseSet({ totalOils: grams(1200) }));
    expect(state.history!.past).toHaveLength(2);
    state = after(state, edits.baseSet({ superfat: 7 }));
    expect(state.history!.past).toHaveLength(3);
    expect(present(after(state, bench.undone(), bench.undone())).plan.base.totalOils).toBe(1100);
  });

  it('takes no step for an edit that changes nothing', () => {
    const state = opened();
    expect(after(state, edits.potMoved({ id: 'nobody', by: 1 }))).toBe(state);
  });
});

describe('standing with the server', () => {
  it('is saved again after undoing back to what the server has', () => {
    const edited = after(opened(), edits.potAdded({ id: 'a', name: 'A' }));
    expect(edited.saving.status).toBe('unsaved');
    expect(after(edited, bench.undone()).saving.status).toBe('saved');
  });

  it('stays unsaved when an edit came in while the save was under way', () => {
    const edited = after(opened(), edits.potAdded({ id: 'a', name: 'A' }));
    const sent = present(edited);
    const more = after(edited, bench.saveStarted('b1'), edits.potAdded({ id: 'b', name: 'B' }));
    const done = after(more, ended({ kind: 'saved', version: 4 }, sent));
    expect(done).toMatchObject({ version: 4, saving: { status: 'unsaved' } });
    expect(after(done, ended({ kind: 'saved', version: 5 }, present(done))).saving.status).toBe('saved');
  });

  it('ignores the answer to a save of another batch', () => {
    const state = opened();
    expect(after(state, ended({ kind: 'saved', version: 9 }, present(state), 'other'))).toBe(state);
    expect(after(state, ended({ kind: 'stale' }, present(state), 'other'))).toBe(state);
  });

  it('opens a draft over the document, and as a conflict when the document moved on', () => {
    const draft = { ...writeOf(document), name: 'Mine' };
    const recovered = benchReducer(emptyBench, bench.opened({ document, draft }));
    expect(recovered).toMatchObject({
      saving: { status: 'unsaved' },
      history: { present: { name: 'Mine' } },
    });
    expect(present(after(recovered, bench.undone())).name).toBe('Harbour at dusk');
    const conflict = benchReducer(emptyBench, bench.opened({ document, draft, conflict: true }));
    expect(conflict.saving.status).toBe('conflict');
    expect(after(conflict, edits.headChanged({ name: 'Still mine' })).saving.status).toBe('conflict');
  });

  it('resolves a conflict either way without losing the other side', () => {
    const mine = after(
      opened(),
      edits.headChanged({ name: 'Mine' }),
      ended({ kind: 'stale' }, writeOf(document)),
    );
    const theirs = after(mine, bench.theirsTaken({ ...document, name: 'Theirs', version: 8 }));
    expect(theirs).toMatchObject({
      version: 8,
      saving: { status: 'saved' },
      history: { present: { name: 'Theirs' } },
    });
    expect(present(after(theirs, bench.undone())).name).toBe('Mine');
    expect(after(mine, bench.mineKept(8))).toMatchObject({
      version: 8,
      saving: { status: 'unsaved' },
      saved: null,
    });
  });

  it('tries again only after a failure', () => {
    const failed = after(
      opened(),
      edits.potAdded({ id: 'a', name: 'A' }),
      ended({ kind: 'unreachable', message: 'no line' }, writeOf(document)),
    );
    expect(failed.saving).toEqual({ status: 'failed', message: 'no line', retrying: true });
    expect(after(failed, bench.saveRetried()).saving.status).toBe('unsaved');
    const fine = opened();
    expect(after(fine, bench.saveRetried())).toBe(fine);
  });
});
