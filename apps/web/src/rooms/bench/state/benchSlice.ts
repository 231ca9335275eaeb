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
import { type SaveOutcome, type Saving } from '../../../data/saveQueue.ts';
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

/** The part of a document that the client may set. */
export const writeOf = ({ name, state, madeOn, plan }: BatchDocument): BatchWrite => ({
  name,
  state,
  madeOn,
  plan,
});

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

/** The state with another history, and the saving status that follows from it. A conflict stays until it is solved. */
function moved(state: BenchState, history: History<BatchWrite>): BenchState {
  if (history === state.history) return state;
  const next = { ...state, history };
  return state.saving.status === 'conflict' ? next : standing(next);
}

const standing = (state: BenchState): BenchState => ({
  ...state,
  saving: { status: presentOf(state) === state.saved ? 'saved' : 'unsaved' },
});

function ended(state: BenchState, outcome: SaveOutcome, sent: BatchWrite): BenchState {
  switch (outcome.kind) {
    case 'saved':
      return standing({ ...state, version: outcome.version, saved: sent });
    case 'stale':
      return { ...state, saving: { status: 'conflict' } };
    default: {
      const { kind, message } = outcome;
      return { ...state, saving: { status: 'failed', message, retrying: kind === 'unreachable' } };
    }
  }
}

const slice = createSlice({
  name: 'bench',
  initialState: emptyBench,
  reducers: {
    /** Opens a document as the server has it, with the maker's unsaved draft over it if there is one. */
    opened: (
      _state,
      { payload }: PayloadAction<{ document: BatchDocument; draft?: BatchWrite; conflict?: boolean }>,
    ): BenchState => {
      const saved = writeOf(payload.document);
      const { draft } = payload;
      return {
        id: payload.document.id,
        version: payload.document.version,
        history: draft ? startHistory(draft, [saved]) : startHistory(saved),
        saved,
        saving: { status: payload.conflict ? 'conflict' : draft ? 'unsaved' : 'saved' },
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
    undone: plain((state, _action: PayloadAction) =>
      state.history ? moved(state, undo(state.history)) : state,
    ),
    redone: plain((state, _action: PayloadAction) =>
      state.history ? moved(state, redo(state.history)) : state,
    ),

    saveStarted: plain((state, { payload: id }: PayloadAction<string>) =>
      state.id === id ? { ...state, saving: { status: 'saving' } } : state,
    ),
    saveEnded: plain(
      (state, { payload }: PayloadAction<{ id: string; outcome: SaveOutcome; sent: BatchWrite }>) =>
        state.id === payload.id ? ended(state, payload.outcome, payload.sent) : state,
    ),
    /** Asks for another try now. */
    saveRetried: plain((state, _action: PayloadAction) =>
      state.saving.status === 'failed' ? { ...state, saving: { status: 'unsaved' } } : state,
    ),
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
  },
});

export const benchReducer = slice.reducer;
export const bench = slice.actions;

const injected = slice.injectInto(rootReducer);

/** The state of the bench out of the whole state; empty before the room was ever opened. */
export const selectBench = (state: unknown): BenchState => injected.selectSlice(state as never);
