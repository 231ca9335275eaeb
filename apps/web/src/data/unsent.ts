import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { type BatchWrite } from '@kleur/contract';
import { type Keeping, storeWorks } from './drafts.ts';
import { type Saving } from './saveQueue.ts';
import { rootReducer } from './store.ts';

/** A batch that the server has not acknowledged, for lists. */
export interface UnsentBatch {
  readonly name: string;
  readonly saving: Saving;
}

interface UnsentState {
  readonly batches: Readonly<Record<string, UnsentBatch>>;
  /** Whether the browser keeps what is unsent beyond this tab. */
  readonly keeping: Keeping;
}

const slice = createSlice({
  name: 'unsent',
  initialState: (): UnsentState => ({ batches: {}, keeping: storeWorks() }),
  reducers: {
    changed: (state, { payload }: PayloadAction<{ id: string; batch: UnsentBatch | null }>) => {
      const { id, batch } = payload;
      if (batch === null) {
        const { [id]: _gone, ...others } = state.batches;
        state.batches = others;
      } else state.batches = { ...state.batches, [id]: batch };
    },
    /** The server has a document as it was sent. */
    saved: (_state, _action: PayloadAction<{ id: string; version: number; sent: BatchWrite }>) => undefined,
    kept: (state, { payload }: PayloadAction<Keeping>) => {
      state.keeping = payload;
    },
  },
});

export const unsent = slice.actions;

const injected = slice.injectInto(rootReducer);

/** What this tab has not brought to the server. */
export const selectUnsent = (state: unknown): UnsentState => injected.selectSlice(state as never);
