import { settle } from '../balance/settle.ts';
import { type Material } from '../material/material.ts';
import { addPot, setFormula, setLearntBase, setPot, useRecipe } from '../plan/edit/index.ts';
import { type LearntBase } from '../plan/learntBase.ts';
import { plainMould } from '../plan/moulding.ts';
import { emptyPlan, onePart, type Plan, type Stock } from '../plan/plan.ts';
import { grams } from '../units/quantity.ts';

/** A cup of a test. */
export interface TrialCup {
  /** g/kg oils; none for the bare base. */
  readonly doses: readonly { readonly material: Material; readonly dose: number }[];
  /** Goes into the oven, or is kept cool. */
  readonly gelled: boolean;
}

export interface TrialStart {
  readonly recipe: Parameters<typeof useRecipe>[1];
  readonly cups: readonly TrialCup[];
  /** Batter in each cup, g. */
  readonly cup: number;
  readonly learnt: LearntBase | null;
}

/** What sticks to a cup that is poured into a cavity, g. */
const LOSS = 2;
const NAME_LENGTH = 60;
/** A cup holds less powder than a scale can tell: it is dropped from a bottle. */
const DROPS: Stock = { powderPercent: 20, gramsPerDrop: 0.04 };

/** What a cup is called: its colourants with their doses. */
export function cupName({ doses, gelled }: TrialCup): string {
  const dose = (v: number): string => String(Number(v.toPrecision(2)));
  const what = doses.map((d) => `${d.material.name} ${dose(d.dose)}`).join(' + ') || 'Bare';
  return `${what.slice(0, NAME_LENGTH)}${gelled ? ', oven' : ''}`;
}

const formulaOf = ({ doses }: TrialCup): string =>
  doses
    .map((d) => `${d.material.id} ${d.dose}`)
    .sort()
    .join();

/**
 * A small batch of test cups without scent, one pot a cup, coloured by drops from a bottle. A cup for the oven and one kept cool with the same formula are
 * coloured as one pot and parted.
 */
export function startTrial({ recipe, cups, cup, learnt }: TrialStart, newId: () => string): Plan {
  const empty = emptyPlan();
  const mould = { ...plainMould('Test cups', 'cavities'), cavities: cups.length, cavityVolume: cup };
  let plan: Plan = useRecipe(setLearntBase(empty, learnt), recipe, newId);
  plan = {
    ...plan,
    moulding: {
      ...plan.moulding,
      leads: true,
      lossPerJug: grams(LOSS),
      moulds: [{ id: newId(), count: 1, mould }],
    },
    work: {
      ...plan.work,
      heat: 'prevent',
      dispersions: [...new Set(cups.flatMap((c) => c.doses.map((d) => d.material.id)))].map((materialId) => ({
        materialId,
        stock: DROPS,
      })),
    },
  };
  // What stays cool comes first, so that the one for the oven can draw from it.
  const made = new Map<string, string>();
  for (const each of cups.toSorted((a, b) => Number(a.gelled) - Number(b.gelled))) {
    const id = newId();
    const { gelled } = each;
    const twin = made.get(formulaOf(each));
    plan = setPot(addPot(plan, id, cupName(each)), id, { gelled });
    if (twin !== undefined) {
      plan = setPot(plan, twin, { draws: [onePart(2)] });
      plan = setPot(plan, id, { draws: [{ id: newId(), from: twin, by: 'percent', value: 50, second: 0 }] });
      continue;
    }
    made.set(formulaOf(each), id);
    plan = setFormula(
      plan,
      id,
      each.doses.map((d) => ({ rowId: newId(), material: d.material, dose: d.dose })),
    );
  }
  return settle(plan);
}
