import { type BatchWrite } from '@kleur/contract';
import { batchDocument } from '../../../../test/batch.ts';
import { grams } from '@kleur/core/units';
import { writeOf } from '../../../data/batchSaves.ts';
import { type Saving } from '../../../data/saveQueue.ts';
import { unsent } from '../../../data/unsent.ts';
import { bench, benchReducer, type BenchState, emptyBench, presentOf } from './benchSlice.ts';
import { edits, type EditThunk } from './edits.ts';

const document = batchDocument({ name: 'Harbour at dusk', version: 3 });
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
const saved = (version: number, sent: BatchWrite, id = 'b1') => unsent.saved({ id, version, sent });
const stands = (saving: Saving, id = 'b1') => unsent.changed({ id, batch: { name: '', saving } });
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
    const more = after(edited, stands({ status: 'saving' }), edits.potAdded({ id: 'b', name: 'B' }));
    const done = after(more, saved(4, sent));
    expect(done).toMatchObject({ version: 4, saving: { status: 'unsaved' } });
    expect(after(done, saved(5, present(done))).saving.status).toBe('saved');
  });

  it('ignores the answer to a save of another batch', () => {
    const state = opened();
    expect(after(state, saved(9, present(state), 'other'))).toBe(state);
    expect(after(state, stands({ status: 'conflict' }, 'other'))).toBe(state);
  });

  it('opens a draft over the document, and as a conflict when the document moved on', () => {
    const draft = { ...writeOf(document), name: 'Mine' };
    const waiting = (saving: Saving) => ({ version: 3, document: draft, saving });
    const recovered = benchReducer(
      emptyBench,
      bench.opened({ document, unsent: waiting({ status: 'unsaved' }) }),
    );
    expect(recovered).toMatchObject({
      saving: { status: 'unsaved' },
      history: { present: { name: 'Mine' } },
    });
    expect(present(after(recovered, bench.undone())).name).toBe('Harbour at dusk');
    const conflict = benchReducer(
      emptyBench,
      bench.opened({ document, unsent: { ...waiting({ status: 'conflict' }), version: 2 } }),
    );
    expect(conflict).toMatchObject({ version: 2, saving: { status: 'conflict' } });
    expect(after(conflict, bench.undone())).toBe(conflict);
    expect(after(conflict, edits.headChanged({ name: 'Still mine' })).saving.status).toBe('conflict');
  });

  it('resolves a conflict either way without losing the other side', () => {
    const mine = after(opened(), edits.headChanged({ name: 'Mine' }), stands({ status: 'conflict' }));
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

  it('gives up what the server refuses, and keeps it one undo away', () => {
    const refused = after(
      opened(),
      edits.headChanged({ name: 'Mine' }),
      stands({ status: 'failed', message: 'no', retrying: false }),
    );
    const back = after(refused, bench.unsentGivenUp());
    expect(back.saving.status).toBe('saved');
    expect(present(back).name).toBe('Harbour at dusk');
    expect(present(after(back, bench.undone())).name).toBe('Mine');
  });

  it('stands as before when what was deleted elsewhere is restored', () => {
    const gone = after(opened(), bench.deletedElsewhere());
    expect(gone.saving.status).toBe('gone');
    expect(after(gone, bench.restored()).saving.status).toBe('saved');
  });
});
