/** How the colours of a bar are brought together: each part of it in techniques of its own. */
export interface Design {
  /** Ids of techniques, one after another, over all pots in the mould that no layer of its own holds. */
  readonly body: readonly string[];
  /** Layers of the body that are worked in a technique of their own. */
  readonly layers: readonly DesignLayer[];
  /** Id of the technique of what lies on the top; null while open. */
  readonly top: string | null;
  /** Pots that are meant to look the same. */
  readonly twins: readonly Twins[];
}

export interface DesignLayer {
  readonly id: string;
  /** Id of a technique. */
  readonly technique: string;
  /** Ids of the pots that are worked together in it; a pot lies in one layer at most. */
  readonly pots: readonly string[];
}

export interface Twins {
  readonly a: string;
  readonly b: string;
}

export const emptyDesign: Design = { body: [], layers: [], top: null, twins: [] };

/** Whether two pots are meant to look the same. */
export const areTwins = ({ twins }: Design, a: string, b: string): boolean =>
  twins.some((t) => (t.a === a && t.b === b) || (t.a === b && t.b === a));

/** A design without a pot that is there no more. */
export function designWithout(design: Design, potId: string): Design {
  const named =
    design.layers.some((l) => l.pots.includes(potId)) ||
    design.twins.some((t) => t.a === potId || t.b === potId);
  if (!named) return design;
  return {
    ...design,
    layers: design.layers.map((l) => ({ ...l, pots: l.pots.filter((id) => id !== potId) })),
    twins: design.twins.filter((t) => t.a !== potId && t.b !== potId),
  };
}
