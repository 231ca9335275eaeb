import { type BatchWrite } from '@kleur/contract';
import { settle } from '@kleur/core/balance';
import { type Material } from '@kleur/core/material';
import {
  addDose,
  addOil,
  addPot,
  type Base,
  copyPot,
  type Design,
  type DoseRow,
  type FormulaPart,
  movePot,
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
  setDesign,
  setTotalOils,
} from '@kleur/core/plan';
import { type Grams } from '@kleur/core/units';
import { type AppDispatch } from '../../../data/store.ts';
import { bench, presentOf, selectBench } from './benchSlice.ts';

export type EditThunk = (dispatch: AppDispatch, getState: () => unknown) => void;

/** Changes the open document. With a key, quick changes of the same thing are one step of undo. */
export const editBatch =
  (change: (batch: BatchWrite) => BatchWrite, key: string | null = null): EditThunk =>
  (dispatch, getState) => {
    const present = presentOf(selectBench(getState()));
    if (!present) return;
    const batch = change(present);
    if (batch !== present) dispatch(bench.edited({ batch, mark: { key, at: Date.now() } }));
  };

/** Changes the plan of the open document by an edit of core. */
export const editPlan = (change: (plan: Plan) => Plan, key: string | null = null): EditThunk =>
  editBatch((batch) => {
    const plan = change(batch.plan);
    // What is wanted per bar keeps its wish, whatever else changes.
    return plan === batch.plan ? batch : { ...batch, plan: settle(plan) };
  }, key);

const changed = (change: object): string => Object.keys(change).join();

/** What makers do most, each with the key that joins its quick repetitions. */
export const edits = {
  headChanged: (change: Partial<Omit<BatchWrite, 'plan'>>) =>
    editBatch((batch) => ({ ...batch, ...change }), `head:${changed(change)}`),
  baseSet: (change: Partial<Base>) => editPlan((p) => setBase(p, change), `base:${changed(change)}`),
  totalOilsSet: (mass: Grams) => editPlan((p) => setTotalOils(p, mass), 'base:totalOils'),
  oilAdded: (a: { id: string; material: Material }) => editPlan((p) => addOil(p, a.id, a.material)),
  oilPercentSet: (a: { id: string; percent: number }) =>
    editPlan((p) => setOilPercent(p, a.id, a.percent), `oil:${a.id}`),
  oilMassSet: (a: { id: string; mass: Grams }) => editPlan((p) => setOilMass(p, a.id, a.mass), `oil:${a.id}`),
  oilRemoved: (id: string) => editPlan((p) => removeOil(p, id)),
  potAdded: (a: { id: string; name: string }) => editPlan((p) => addPot(p, a.id, a.name)),
  potSet: (a: { id: string; change: Partial<Omit<Pot, 'id' | 'doses'>> }) =>
    editPlan((p) => setPot(p, a.id, a.change), `pot:${a.id}:${changed(a.change)}`),
  potMoved: (a: { id: string; by: number }) => editPlan((p) => movePot(p, a.id, a.by)),
  potCopied: (a: { id: string; copyId: string }) =>
    editPlan((p) => copyPot(p, a.id, a.copyId, (i) => `${a.copyId}-${i}`)),
  potRemoved: (id: string) => editPlan((p) => removePot(p, id)),
  doseAdded: (a: { potId: string; rowId: string; material: Material }) =>
    editPlan((p) => addDose(p, a.potId, a.rowId, a.material)),
  doseSet: (a: {
    potId: string;
    rowId: string;
    change: Partial<Pick<DoseRow, 'dose' | 'perBar' | 'carrier' | 'source'>>;
  }) => editPlan((p) => setDose(p, a.potId, a.rowId, a.change), `dose:${a.rowId}:${changed(a.change)}`),
  doseRemoved: (a: { potId: string; rowId: string }) => editPlan((p) => removeDose(p, a.potId, a.rowId)),
  designSet: (change: Partial<Design>) => editPlan((p) => setDesign(p, change)),
  paletteSet: (colours: readonly PaletteColour[]) => editPlan((p) => setPalette(p, colours)),
  paletteColourSet: (a: { id: string; change: Partial<Omit<PaletteColour, 'id'>> }) =>
    editPlan((p) => setPaletteColour(p, a.id, a.change), `palette:${a.id}`),
  /** Several colours at once while one of them is dragged. */
  paletteMoved: (colours: readonly PaletteColour[], id: string) =>
    editPlan((p) => setPalette(p, colours), `palette:${id}`),
  formulaSet: (a: { potId: string; parts: readonly FormulaPart[] }) =>
    editPlan((p) => setFormula(p, a.potId, a.parts)),
  potsMade: (pots: readonly PalettePot[]) => editPlan((p) => potsFromPalette(p, pots)),
  materialRefreshed: (material: Material) => editPlan((p) => refreshMaterial(p, material)),
} as const;
