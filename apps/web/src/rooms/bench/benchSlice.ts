import {
  createSlice,
  original,
  type PayloadAction,
  type UnknownAction,
  type WritableDraft,
} from '@reduxjs/toolkit';
import { type BatchDocument, type BatchState, type BatchWrite } from '@kleur/contract';
import { type Material } from '@kleur/core/material';
import {
  addDose,
  addOil,
  addPot,
  type Base,
  copyPot,
  type DoseRow,
  type FormulaPart,
  movePot,
  normaliseOils,
  type PaletteColour,
  type PalettePot,
  type Plan,
  type Pot,
  potsFromPalette,
  refreshMaterial,
  removeDose,
  removeOil,
  removePot,
  setBase,
  setDose,
  setFormula,
  setOilMass,
  setOilPercent,
  setPalette,
  setPaletteColour,
  setPot,
  setScent,
  setTechnique,
} from '@kleur/core/plan';
import { type Grams } from '@kleur/core/units';

/** How the open batch stands with the server. */
export type Saving =
  | { readonly status: 'saved' }
  | { readonly status: 'unsaved' }
  | { readonly status: 'saving' }
  | { readonly status: 'failed'; readonly message: string }
  | { readonly status: 'conflict' };

export interface BenchState {
  readonly id: string | null;
  /** Version on the server that the present document grew from. */
  readonly version: number;
  readonly past: readonly BatchWrite[];
  readonly present: BatchWrite | null;
  readonly future: readonly BatchWrite[];
  /** The document as the server has it; the same object as `present` when nothing is unsaved. */
  readonly saved: BatchWrite | null;
  readonly saving: Saving;
  /** Edits with the same key in quick succession are one step of undo. */
  readonly lastEdit: { readonly key: string; readonly at: number } | null;
}

export const emptyBench: BenchState = {
  id: null,
  version: 0,
  past: [],
  present: null,
  future: [],
  saved: null,
  saving: { status: 'saved' },
  lastEdit: null,
};

const HISTORY = 200;
const COALESCE_MS = 1000;

/** The part of a document that the client may set. */
export const writeOf = ({ name, state, madeOn, plan }: BatchDocument): BatchWrite => ({
  name,
  state,
  madeOn,
  plan,
});

interface Meta {
  readonly at: number;
  /** Null: always a step of its own. */
  readonly key: string | null;
}

/** Puts a new document on the history. */
function step(state: BenchState, next: BatchWrite, { at, key }: Meta): BenchState {
  if (!state.present || next === state.present) return state;
  const joins = key !== null && state.lastEdit?.key === key && at - state.lastEdit.at < COALESCE_MS;
  return {
    ...state,
    past: joins ? state.past : [...state.past, state.present].slice(-HISTORY),
    present: next,
    future: [],
    lastEdit: key === null ? null : { key, at },
    saving: state.saving.status === 'conflict' ? state.saving : { status: 'unsaved' },
  };
}

/**
 * A reducer on the plain state. Drafts are of no use here: documents are replaced, never changed in place, and
 * whether something is unsaved is told by their identity, which a draft would hide.
 */
const plain =
  <A extends UnknownAction>(reduce: (state: BenchState, action: A) => BenchState) =>
  (state: BenchState, action: A): BenchState =>
    reduce(original(state as WritableDraft<BenchState>), action);

/** Prepares an edit: its argument, and when and as what it counts. */
function edit<A>(keyOf: (arg: A) => string | null, change: (plan: Plan, arg: A) => Plan) {
  return {
    prepare: (arg: A) => ({ payload: arg, meta: { at: Date.now(), key: keyOf(arg) } }),
    reducer: plain((state, action: PayloadAction<A, string, Meta>) => {
      const { present } = state;
      if (!present) return state;
      const plan = change(present.plan, action.payload);
      return plan === present.plan ? state : step(state, { ...present, plan }, action.meta);
    }),
  };
}

/** The saving status that follows from the documents, after any step that is no edit. */
const standing = (state: BenchState): BenchState => ({
  ...state,
  saving: { status: state.present === state.saved ? 'saved' : 'unsaved' },
});

const alone = () => null;

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
        ...emptyBench,
        id: payload.document.id,
        version: payload.document.version,
        past: draft ? [saved] : [],
        present: draft ?? saved,
        saved,
        saving: { status: payload.conflict ? 'conflict' : draft ? 'unsaved' : 'saved' },
      };
    },
    closed: (): BenchState => emptyBench,
    saveStarted: plain((state, { payload: id }: PayloadAction<string>) =>
      state.id === id ? { ...state, saving: { status: 'saving' } } : state,
    ),
    saveDone: plain((state, { payload }: PayloadAction<{ id: string; version: number; sent: BatchWrite }>) =>
      state.id === payload.id ? standing({ ...state, version: payload.version, saved: payload.sent }) : state,
    ),
    saveFailed: plain((state, { payload }: PayloadAction<{ id: string; message: string }>) =>
      state.id === payload.id ? { ...state, saving: { status: 'failed', message: payload.message } } : state,
    ),
    /** Asks for another try now. */
    saveRetried: plain((state, _action: PayloadAction) =>
      state.saving.status === 'failed' ? { ...state, saving: { status: 'unsaved' } } : state,
    ),
    conflicted: plain((state, { payload: id }: PayloadAction<string>) =>
      state.id === id ? { ...state, saving: { status: 'conflict' } } : state,
    ),
    /** Keeps the maker's document and saves it over the server's newer one. */
    mineKept: plain((state, { payload: version }: PayloadAction<number>) =>
      standing({ ...state, version, saved: null }),
    ),
    /** Takes the server's document; the maker's own stays one undo away. */
    theirsTaken: plain((state, { payload }: PayloadAction<BatchDocument>) => {
      const saved = writeOf(payload);
      const past = state.present ? [...state.past, state.present] : state.past;
      return standing({
        ...state,
        version: payload.version,
        past,
        present: saved,
        future: [],
        saved,
        lastEdit: null,
      });
    }),
    undone: plain((state, _action: PayloadAction) => {
      const before = state.past.at(-1);
      if (!before || !state.present) return state;
      const future = [state.present, ...state.future];
      return standing({ ...state, past: state.past.slice(0, -1), present: before, future, lastEdit: null });
    }),
    redone: plain((state, _action: PayloadAction) => {
      const [next, ...future] = state.future;
      if (!next || !state.present) return state;
      return standing({
        ...state,
        past: [...state.past, state.present],
        present: next,
        future,
        lastEdit: null,
      });
    }),
    headChanged: {
      prepare: (change: { name?: string; state?: BatchState; madeOn?: string | null }) => ({
        payload: change,
        meta: { at: Date.now(), key: `head:${Object.keys(change).join()}` },
      }),
      reducer: plain((state, { payload, meta }: PayloadAction<Partial<BatchWrite>, string, Meta>) =>
        state.present ? step(state, { ...state.present, ...payload }, meta) : state,
      ),
    },
    baseSet: edit<Partial<Base>>((change) => `base:${Object.keys(change).join()}`, setBase),
    oilAdded: edit<{ id: string; material: Material }>(alone, (plan, a) => addOil(plan, a.id, a.material)),
    oilPercentSet: edit<{ id: string; percent: number }>(
      (a) => `oil:${a.id}`,
      (plan, a) => setOilPercent(plan, a.id, a.percent),
    ),
    oilMassSet: edit<{ id: string; mass: Grams }>(
      (a) => `oil:${a.id}`,
      (plan, a) => setOilMass(plan, a.id, a.mass),
    ),
    oilRemoved: edit<string>(alone, (plan, id) => removeOil(plan, id)),
    oilsNormalised: edit<void>(alone, (plan) => normaliseOils(plan)),
    scentSet: edit<{ material: Material; dose: number } | null>(
      (a) => (a ? `scent:${a.material.id}` : null),
      setScent,
    ),
    potAdded: edit<{ id: string; name: string }>(alone, (plan, a) => addPot(plan, a.id, a.name)),
    /** Any edit of the plan, worked out by the caller; steps with the same key in quick succession are one. */
    planChanged: edit<{ plan: Plan; key: string | null }>(
      (a) => a.key,
      (_, a) => a.plan,
    ),
    potSet: edit<{ id: string; change: Partial<Omit<Pot, 'id' | 'doses'>> }>(
      (a) => `pot:${a.id}:${Object.keys(a.change).join()}`,
      (plan, a) => setPot(plan, a.id, a.change),
    ),
    potMoved: edit<{ id: string; by: number }>(alone, (plan, a) => movePot(plan, a.id, a.by)),
    potCopied: edit<{ id: string; copyId: string }>(alone, (plan, a) =>
      copyPot(plan, a.id, a.copyId, (i) => `${a.copyId}-${i}`),
    ),
    potRemoved: edit<string>(alone, removePot),
    doseAdded: edit<{ potId: string; rowId: string; material: Material }>(alone, (plan, a) =>
      addDose(plan, a.potId, a.rowId, a.material),
    ),
    doseSet: edit<{
      potId: string;
      rowId: string;
      change: Partial<Pick<DoseRow, 'dose' | 'carrier' | 'source'>>;
    }>(
      (a) => `dose:${a.rowId}:${Object.keys(a.change).join()}`,
      (plan, a) => setDose(plan, a.potId, a.rowId, a.change),
    ),
    doseRemoved: edit<{ potId: string; rowId: string }>(alone, (plan, a) =>
      removeDose(plan, a.potId, a.rowId),
    ),
    techniqueSet: edit<string | null>(alone, setTechnique),
    paletteSet: edit<readonly PaletteColour[]>(alone, setPalette),
    paletteColourSet: edit<{ id: string; change: Partial<Omit<PaletteColour, 'id'>> }>(
      (a) => `palette:${a.id}`,
      (plan, a) => setPaletteColour(plan, a.id, a.change),
    ),
    formulaSet: edit<{ potId: string; parts: readonly FormulaPart[]; follows: string | null }>(
      // A formula that follows a palette colour is part of the same step as the colour's change.
      (a) => (a.follows === null ? null : `palette:${a.follows}`),
      (plan, a) => setFormula(plan, a.potId, a.parts, a.follows),
    ),
    potsMade: edit<readonly PalettePot[]>(alone, potsFromPalette),
    materialRefreshed: edit<Material>(alone, refreshMaterial),
  },
});

export const benchReducer = slice.reducer;
export const bench = slice.actions;
