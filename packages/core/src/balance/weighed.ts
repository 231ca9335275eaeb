/**
 * What was really weighed, beside the plan. Whatever is missing here went as planned. The same sums run over it as
 * over the plan (see `flowOf`), so that a result and a plan can be compared figure by figure. Masses in g, ≥ 0.
 */
export interface Weighed {
  /** By the lye: `COMMON_LYE`, or the id of the mini-batch. */
  readonly lyes?: Readonly<Record<string, WeighedLye>>;
  /** By the id of the pot. */
  readonly pots?: Readonly<Record<string, WeighedPot>>;
}

/** Key of the common lye, which has no pot. */
export const COMMON_LYE = '';

export interface WeighedLye {
  /** Oils by material, those that are kept back for carriers included. */
  readonly oils?: Readonly<Record<string, number>>;
  readonly naoh?: number;
  readonly koh?: number;
  /** All of the liquid, what is kept back included. */
  readonly liquid?: number;
}

export interface WeighedPot {
  /** Batter drawn into the pot, by the id of the draw. */
  readonly draws?: Readonly<Record<string, number>>;
  /** Powder and the liquid it was dispersed in, by the id of the dose row. */
  readonly doses?: Readonly<Record<string, { readonly powder?: number; readonly liquid?: number }>>;
  /** Scent that went into the pot itself. */
  readonly scent?: number;
}

/** Nothing was weighed yet: everything as planned. */
export const NOTHING_WEIGHED: Weighed = {};
