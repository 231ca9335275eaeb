import { areTwins, type Design, type DesignLayer } from '../design.ts';
import { PLAN_LIMITS } from '../limits.ts';
import { type PaletteColour, type Plan } from '../plan.ts';
import { addPot } from './pots.ts';
import { type FormulaPart, setFormula } from './doses.ts';

/** Changes how the colours are brought together. */
export const setDesign = (plan: Plan, change: Partial<Design>): Plan => ({
  ...plan,
  idea: { ...plan.idea, design: { ...plan.idea.design, ...change } },
});

/** Adds a layer of its own, or changes one; its pots leave every other layer. */
export function setDesignLayer(plan: Plan, layer: DesignLayer): Plan {
  const { layers } = plan.idea.design;
  const others = layers.map((l) =>
    l.id === layer.id ? layer : { ...l, pots: l.pots.filter((id) => !layer.pots.includes(id)) },
  );
  return setDesign(plan, {
    layers: layers.some((l) => l.id === layer.id) ? others : [...others, layer],
  });
}

/** Takes a layer of its own out: its pots are poured as the rest of the body. */
export const removeDesignLayer = (plan: Plan, id: string): Plan =>
  setDesign(plan, { layers: plan.idea.design.layers.filter((l) => l.id !== id) });

/** Marks two pots as meant to look the same, or no longer so. */
export function setTwins(plan: Plan, a: string, b: string, same: boolean): Plan {
  const { design } = plan.idea;
  if (areTwins(design, a, b) === same) return plan;
  return setDesign(plan, {
    twins: same
      ? [...design.twins, { a, b }]
      : design.twins.filter((t) => !areTwins({ ...design, twins: [t] }, a, b)),
  });
}

/** A colour as a plan can hold it: whatever it came from, it can be saved. */
function held(colour: PaletteColour): PaletteColour {
  const { min, max } = PLAN_LIMITS.lab;
  const lab = colour.lab.map((v) => (Number.isFinite(v) ? Math.min(max, Math.max(min, v)) : 0));
  const [L, a, b] = lab as [number, number, number];
  return lab.every((v, i) => v === colour.lab[i]) ? colour : { ...colour, lab: [L, a, b] };
}

/** Replaces the whole palette. Pots that followed a colour no longer in it keep their formula and stop following. */
export function setPalette(plan: Plan, colours: readonly PaletteColour[]): Plan {
  const kept = colours.slice(0, PLAN_LIMITS.palette).map(held);
  const ids = new Set(kept.map((c) => c.id));
  return {
    ...plan,
    idea: { ...plan.idea, colours: kept },
    pots: plan.pots.map((p) => (p.follows !== null && !ids.has(p.follows) ? { ...p, follows: null } : p)),
  };
}

/** Changes name or colour of a palette colour. */
export const setPaletteColour = (plan: Plan, id: string, change: Partial<Omit<PaletteColour, 'id'>>): Plan =>
  setPalette(
    plan,
    plan.idea.colours.map((c) => (c.id === id ? { ...c, ...change } : c)),
  );

/** A pot to make for a palette colour, with the recipe found for it. */
export interface PalettePot {
  readonly colourId: string;
  /** Id of the pot when there is none yet that follows the colour. */
  readonly potId: string;
  readonly parts: readonly FormulaPart[];
}

/** Turns palette colours into pots with formulas, in one act. A pot that follows the colour already is renewed. */
export function potsFromPalette(plan: Plan, pots: readonly PalettePot[]): Plan {
  return pots.reduce<Plan>((before, { colourId, potId, parts }) => {
    const colour = before.idea.colours.find((c) => c.id === colourId);
    if (!colour) return before;
    const follower = before.pots.find((p) => p.follows === colourId);
    if (!follower && before.pots.length >= PLAN_LIMITS.pots) return before;
    const plan = follower ? before : addPot(before, potId, colour.name);
    return setFormula(plan, follower?.id ?? potId, parts, colourId);
  }, plan);
}
