import {
  createSlice,
  original,
  type PayloadAction,
  type UnknownAction,
  type WritableDraft,
} from '@reduxjs/toolkit';
import { type BatchDocument, type BatchWrite } from '@kleur/contract';
import {
  amendEdit,
  type EditMark,
  type History,
  recordEdit,
  redo,
  startHistory,
  undo,
} from '../../../data/history.ts';
import { writeOf } from '../../../data/batchSaves.ts';
import { type Saving, type Unsent } from '../../../data/saveQueue.ts';
import { unsent } from '../../../data/unsent.ts';
import { rootReducer } from '../../../data/store.ts';

export interface BenchState {
  readonly id: string | null;
  /** Version on the server that the present document grew from. */
  readonly version: number;
  /** Null while no batch is open. */
  readonly history: History<BatchWrite> | null;
  /** The document as the server has it; the same object as the present one when nothing is unsaved. */
  readonly saved: BatchWrite | null;
  readonly saving: Saving;
}

export const emptyBench: BenchState = {
  id: null,
  version: 0,
  history: null,
  saved: null,
  saving: { status: 'saved' },
};

/** The open document as the maker sees it; null while none is open. */
export const presentOf = (bench: BenchState): BatchWrite | null => bench.history?.present ?? null;

/**
 * A reducer on the plain state. Drafts are of no use here: documents are replaced, never changed in place, and
 * whether something is unsaved is told by their identity, which a draft would hide.
 */
const plain =
  <A extends UnknownAction>(reduce: (state: BenchState, action: A) => BenchState) =>
  (state: BenchState, action: A): BenchState =>
    reduce(original(state as WritableDraft<BenchState>), action);

/** Whether the maker has to choose before anything goes on. */
export const isHeld = ({ saving }: BenchState): boolean =>
  saving.status === 'conflict' || saving.status === 'gone';

/** The state with another history, and the saving status that follows from it. What is held stays so until it is solved. */
function moved(state: BenchState, history: History<BatchWrite>): BenchState {
  if (history === state.history) return state;
  const next = { ...state, history };
  return isHeld(state) ? next : standing(next);
}

const standing = (state: BenchState): BenchState => ({
  ...state,
  saving: { status: presentOf(state) === state.saved ? 'saved' : 'unsaved' },
});

const slice = createSlice({
  name: 'bench',
  initialState: emptyBench,
  reducers: {
    /** Opens a document as the server has it, with what the server has not acknowledged over it. */
    opened: (
      _state,
      { payload }: PayloadAction<{ document: BatchDocument; unsent?: Unsent<BatchWrite> | null }>,
    ): BenchState => {
      const saved = writeOf(payload.document);
      const { document, unsent: mine } = payload;
      return {
        id: document.id,
        // What is held grew from an older version than the server has.
        version: mine?.version ?? document.version,
        history: mine ? startHistory(mine.document, [saved]) : startHistory(saved),
        saved,
        saving: mine?.saving ?? { status: 'saved' },
      };
    },
    closed: (): BenchState => emptyBench,

    /** The one action of every edit: the document after it. See `edits` for what makers do. */
    edited: plain((state, { payload }: PayloadAction<{ batch: BatchWrite; mark: EditMark }>) =>
      state.history ? moved(state, recordEdit(state.history, payload.batch, payload.mark)) : state,
    ),
    /** What follows from the last edit and had to be worked out, as part of that edit's own step. */
    amended: plain((state, { payload }: PayloadAction<{ batch: BatchWrite; revision: number }>) =>
      state.history ? moved(state, amendEdit(state.history, payload.batch, payload.revision)) : state,
    ),
    // The maker chooses between documents that can be seen: neither moves meanwhile.
    undone: plain((state, _action: PayloadAction) =>
      state.history && !isHeld(state) ? moved(state, undo(state.history)) : state,
    ),
    redone: plain((state, _action: PayloadAction) =>
      state.history && !isHeld(state) ? moved(state, redo(state.history)) : state,
    ),

    /** Somebody else has deleted what is open. */
    deletedElsewhere: plain((state, _action: PayloadAction) => ({ ...state, saving: { status: 'gone' } })),
    /** What was deleted elsewhere is back. */
    restored: plain((state, _action: PayloadAction) => standing(state)),
    /** Keeps the maker's document and saves it over the server's newer one. */
    mineKept: plain((state, { payload: version }: PayloadAction<number>) =>
      standing({ ...state, version, saved: null }),
    ),
    /** Takes the server's document; the maker's own stays one undo away. */
    theirsTaken: plain((state, { payload }: PayloadAction<BatchDocument>) => {
      const saved = writeOf(payload);
      const past = state.history ? [...state.history.past, state.history.present] : [];
      return standing({ ...state, version: payload.version, history: startHistory(saved, past), saved });
    }),
    /** The server has the present document already, at a newer version: a save whose answer was lost. */
    acknowledged: plain((state, { payload: version }: PayloadAction<number>) =>
      standing({ ...state, version, saved: presentOf(state) }),
    ),
    /** Gives up what was not saved; it stays one undo away. */
    unsentGivenUp: plain((state, _action: PayloadAction) =>
      state.history && state.saved
        ? standing({
            ...state,
            history: startHistory(state.saved, [...state.history.past, state.history.present]),
          })
        : state,
    ),
  },
  extraReducers: (builder) => {
    builder
      .addCase(
        unsent.changed,
        plain((state, { payload: { id, batch } }: ReturnType<typeof unsent.changed>) =>
          state.id === id && batch !== null ? { ...state, saving: batch.saving } : state,
        ),
      )
      .addCase(
        unsent.saved,
        plain((state, { payload: { id, version, sent } }: ReturnType<typeof unsent.saved>) =>
          state.id === id ? standing({ ...state, version, saved: sent }) : state,
        ),
      );
  },
});

export const benchReducer = slice.reducer;
export const bench = slice.actions;

const injected = slice.injectInto(rootReducer);

/** The state of the bench out of the whole state; empty before the room was ever opened. */
export const selectBench = (state: unknown): BenchState => injected.selectSlice(state as never);
