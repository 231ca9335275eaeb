import { settle } from '../balance/settle.ts';
import { type LabD65 } from '../colour/lab.ts';
import { anything, type MatchFilter, ownsColour } from '../match/candidates.ts';
import { type Caution, type Material } from '../material/material.ts';
import {
  addAdditive,
  potsFromPalette,
  setAdditive,
  setLearntBase,
  setPalette,
  setPot,
  setScent,
  useRecipe,
} from '../plan/edit/index.ts';
import { type LearntBase } from '../plan/learntBase.ts';
import { type Mould } from '../plan/moulding.ts';
import { emptyPlan, type Plan } from '../plan/plan.ts';
import { gramsPerKg } from '../units/quantity.ts';
import { columnsOf } from './moulds.ts';

/** What a new plan is begun with; whatever is left open stays empty. */
export interface PlanStart {
  readonly recipe: Parameters<typeof useRecipe>[1] | null;
  /** Into the whole batch, g/kg oils. */
  readonly additives: readonly { readonly material: Material; readonly dose: number }[];
  readonly mould: Mould | null;
  /** One pot is made for each. */
  readonly colours: readonly { readonly name: string; readonly lab: LabD65 }[];
  readonly scent: Material | null;
  /** The base as bars told it; null for the reference base. */
  readonly learnt: LearntBase | null;
}

/** Colours that new pots are offered, in words: apart in hue and in lightness, and within reach of the usual pigments. */
export const STARTING_COLOURS: readonly string[] = [
  'cream',
  'dark soft blue',
  'medium soft teal',
  'medium brown',
  'light soft pink',
  'very dark grey',
  'medium olive',
  'medium greyish violet',
];

/** Cautions that a first plan does without. */
const SHIFTS: readonly Caution[] = ['alkali-unstable', 'alkali-shift', 'bleeds', 'fades', 'fast'];

/**
 * What first recipes are made from: colour that stays where it is put, lasts and keeps its hue. Of what is in stock,
 * where any colour is; else of powders, which everybody can have.
 */
export function startingFilter(shelf: readonly Material[]): MatchFilter {
  const owned = ownsColour(shelf);
  return {
    ...anything,
    inStock: owned,
    noBleed: true,
    noFade: true,
    exclude: shelf
      .filter((m) => m.cautions.some((c) => SHIFTS.includes(c)) || (!owned && m.kind === 'botanical'))
      .map((m) => m.id),
  };
}

/** Of what its supplier allows, this much scent is a common start, and never more than MOST_SCENT, g/kg oils. */
const SCENT_SHARE = 0.7;
const MOST_SCENT = 30;
/** Vanillin, as a share of the scent, from which what is meant white is left without it. */
const TANS = 0.01;

const isWhite = ([L, a, b]: LabD65): boolean => L > 85 && Math.hypot(a, b) < 14;

/** Dose at which a scent starts, g/kg oils. */
export const startingScentDose = (scent: Material): number =>
  Math.min(MOST_SCENT, Math.round((scent.scent?.limit ?? MOST_SCENT) * SCENT_SHARE));

/**
 * A plan to begin with: the mould leads the oils, each colour has a pot of one part, and a scent that browns stays out of
 * what is meant white. The pots follow their colours and have no formula yet.
 */
export function startPlan(start: PlanStart, newId: () => string): Plan {
  const { recipe, mould, scent } = start;
  const empty = emptyPlan();
  let plan: Plan = { ...empty, moulding: { ...empty.moulding, leads: true } };
  plan = setLearntBase(plan, start.learnt);
  if (recipe) plan = useRecipe(plan, recipe, newId);
  for (const { material, dose } of start.additives) {
    const id = newId();
    plan = setAdditive(addAdditive(plan, id, material), id, { dose: gramsPerKg(dose) });
  }
  if (mould) {
    const { moulding } = plan;
    plan = {
      ...plan,
      moulding: {
        ...moulding,
        moulds: [{ id: newId(), count: 1, mould }],
        bars: { ...moulding.bars, columns: columnsOf(mould) },
      },
    };
  }
  plan = setPalette(
    plan,
    start.colours.map((c) => ({ ...c, id: newId() })),
  );
  plan = potsFromPalette(
    plan,
    plan.idea.colours.map((c) => ({ colourId: c.id, potId: newId(), parts: [] })),
  );
  if (scent) {
    plan = setScent(plan, { material: scent, dose: startingScentDose(scent) });
    if ((scent.scent?.vanillin ?? 0) >= TANS) {
      const white = plan.idea.colours.filter((c) => isWhite(c.lab)).map((c) => c.id);
      for (const pot of plan.pots)
        if (pot.follows !== null && white.includes(pot.follows))
          plan = setPot(plan, pot.id, { scented: false });
    }
  }
  return settle(plan);
}
