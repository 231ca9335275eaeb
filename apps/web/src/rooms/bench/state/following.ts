import { defaultSettings } from '@kleur/contract';
import { type LabD65 } from '@kleur/core/colour';
import { flowOf, gelOf, settle } from '@kleur/core/balance';
import { type PaletteColour, type Plan, setFormula } from '@kleur/core/plan';
import { materialsApi } from '../../../data/materials.ts';
import { settingsApi } from '../../../data/settings.ts';
import { listenerMiddleware, type RootState } from '../../../data/store.ts';
import { searchWorker } from '../../../workers/client.ts';
import { bench, type BenchState, presentOf, selectBench } from './benchSlice.ts';
import { candidatesFor, formulaOf, problemFor, shelfFor } from './matching.ts';
import { readMatchSettings } from './matchSettings.ts';

const same = (a: LabD65, b: LabD65): boolean => a.every((v, i) => v === b[i]);

/** Colours that an edit changed and that pots follow, with those pots. */
export function followedChanges(
  before: Plan,
  after: Plan,
): readonly { readonly colour: PaletteColour; readonly potIds: readonly string[] }[] {
  if (before.idea.colours === after.idea.colours) return [];
  return after.idea.colours.flatMap((colour) => {
    const old = before.idea.colours.find((c) => c.id === colour.id);
    const potIds = after.pots.filter((p) => p.follows === colour.id).map((p) => p.id);
    return old && !same(old.lab, colour.lab) && potIds.length > 0 ? [{ colour, potIds }] : [];
  });
}

const benchOf = (state: unknown): BenchState => selectBench(state);

/**
 * A pot that follows a palette colour gets the recipe of its new value, whatever step is open. The recipe is part of
 * the colour's own step of undo: it amends that step when it comes, and is dropped after an undo or a later edit.
 */
listenerMiddleware.startListening({
  actionCreator: bench.edited,
  effect: async (_action, listener) => {
    const before = presentOf(benchOf(listener.getOriginalState()));
    const { id, history } = benchOf(listener.getState());
    if (!before || !history) return;
    const { present, revision } = history;
    const changes = followedChanges(before.plan, present.plan);
    if (changes.length === 0) return;
    listener.cancelActiveListeners();

    const state = listener.getState() as RootState;
    const materials = materialsApi.endpoints.materials.select()(state).data;
    if (!materials) return;
    const settings = settingsApi.endpoints.settings.select()(state).data ?? defaultSettings;
    const { filter, most, prefersSure } = readMatchSettings();
    const shelf = shelfFor(present.plan, materials);
    const candidates = candidatesFor(shelf, filter);
    const { pots } = flowOf(present.plan);
    const followers = changes.flatMap(({ colour, potIds }) => potIds.map((potId) => ({ colour, potId })));
    const results = await searchWorker().keepAll(
      followers.map(({ colour, potId }) => {
        const oils = pots.find((p) => p.pot.id === potId)?.oils ?? 0;
        const gel = gelOf(present.plan).gel;
        const question = { plan: present.plan, potId, oils, gel, candidates, most, prefersSure, settings };
        return { problem: { ...problemFor(question), target: colour.lab }, own: [], enough: 0 };
      }),
    );

    const now = benchOf(listener.getState());
    if (now.id !== id || now.history?.revision !== revision) return;
    let { plan } = present;
    followers.forEach(({ colour, potId }, i) => {
      const recipe = results[i]?.result.recipes[0];
      if (recipe) plan = setFormula(plan, potId, formulaOf(recipe.parts, shelf), colour.id);
    });
    if (plan !== present.plan)
      listener.dispatch(bench.amended({ batch: { ...present, plan: settle(plan) }, revision }));
  },
});
