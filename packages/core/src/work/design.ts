import { together, type Technique, techniqueById } from '../palette/technique.ts';
import { type Design, type DesignLayer } from '../plan/design.ts';
import { type Plan, type Pot } from '../plan/plan.ts';

/** A stretch of the pour that is worked as one: pots of the body next to each other, or a layer of its own. */
export interface PourStage {
  readonly pots: readonly Pot[];
  /** Ids of the techniques, in their order. */
  readonly techniques: readonly string[];
  /** The same as one; null while open. */
  readonly technique: Technique | null;
  readonly layer: DesignLayer | null;
}

/** Techniques that are done to a pot in the mould: of its layer, or of the body. */
export const techniquesOf = (design: Design, pot: Pot): readonly string[] => {
  const layer = design.layers.find((l) => l.pots.includes(pot.id));
  return layer ? [layer.technique] : design.body;
};

/** Splits pots that are poured together, in their order, into stages. A layer of its own is poured at its first pot. */
export function pourStages(design: Design, pots: readonly Pot[]): PourStage[] {
  const stages: PourStage[] = [];
  for (const pot of pots) {
    const layer = design.layers.find((l) => l.pots.includes(pot.id)) ?? null;
    const there = layer ? stages.findIndex((s) => s.layer === layer) : stages.length - 1;
    const open = stages[there];
    if (open?.layer === layer) stages[there] = { ...open, pots: [...open.pots, pot] };
    else {
      const techniques = techniquesOf(design, pot);
      stages.push({ pots: [pot], techniques, technique: together(techniques), layer });
    }
  }
  return stages;
}

/** The simpler design that was agreed on: what fills the mould in its technique, the top as it is. Null for none. */
export function fallbackDesign({ idea, work }: Plan): Design | null {
  const technique = techniqueById(work.fallback);
  if (!technique) return null;
  return technique.where === 'top'
    ? { ...idea.design, top: technique.id }
    : { ...idea.design, body: [technique.id], layers: [] };
}

/** The plan as it is poured once the simpler design is decided on; itself where none was agreed. */
export function withFallback(plan: Plan): Plan {
  const design = fallbackDesign(plan);
  if (!design) return plan;
  // Moves written by hand are the full design's.
  return {
    ...plan,
    idea: { ...plan.idea, design },
    work: { ...plan.work, pour: { ...plan.work.pour, moves: null } },
  };
}
