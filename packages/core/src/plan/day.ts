/** How the pour goes and how the steps of the making day differ from what the plan gives by itself. */

export const MOVE_KINDS = ['pour', 'stroke', 'prop', 'wait'] as const;
/**
 * `pour`: batter into the mould, or into another jug. `stroke`: a tool drawn through what lies there. `prop`: a side of
 * the mould raised, or set level again. `wait`: for a sign.
 */
export type MoveKind = (typeof MOVE_KINDS)[number];
export const POUR_TOOLS = ['jug', 'spatula', 'spoon', 'funnel', 'bag'] as const;
export type PourTool = (typeof POUR_TOOLS)[number];
export const STROKE_TOOLS = ['stick', 'hanger', 'comb', 'fork', 'whisk'] as const;
export type StrokeTool = (typeof STROKE_TOOLS)[number];
export const POUR_PLACES = ['length', 'wall', 'middle', 'spots', 'section', 'jug'] as const;
/** Along the whole mould, down one wall, always at the middle, at several spots, into a section, or into another jug. */
export type PourPlace = (typeof POUR_PLACES)[number];
export const PROPPED_SIDES = ['long', 'short', 'flat'] as const;
export type ProppedSide = (typeof PROPPED_SIDES)[number];

/** One move of the pour. What a kind has no use for is empty, 0 or null. */
export interface Move {
  readonly id: string;
  readonly kind: MoveKind;
  /** The pot that is poured. */
  readonly potId: string | null;
  /** Of what that pot brings into the mould. */
  readonly part: number;
  readonly tool: PourTool | StrokeTool | '';
  readonly place: PourPlace | '';
  /** How many spots, or the number of the section from 1. */
  readonly at: number;
  /** Pot whose jug it goes into. */
  readonly into: string | null;
  /** A pour: above what lies there. A propped side: how far it is raised. mm. */
  readonly height: number;
  readonly side: ProppedSide | '';
  readonly passes: number;
  /** The path of a stroke, the sign that is waited for, or a remark. */
  readonly text: string;
}

/** A move; what is not given is empty. */
export const newMove = (move: Pick<Move, 'id' | 'kind'> & Partial<Move>): Move => ({
  potId: null,
  part: 0,
  tool: '',
  place: '',
  at: 0,
  into: null,
  height: 0,
  side: '',
  passes: 0,
  text: '',
  ...move,
});

export interface PourScript {
  /** Written by hand; null where the techniques write them. */
  readonly moves: readonly Move[] | null;
  /** Says the pots and what is kept of them, and leaves the rest to the hand. */
  readonly free: boolean;
  /** The last scrape of each jug goes into a numbered cavity. */
  readonly scrapes: boolean;
}

export const writtenPour: PourScript = { moves: null, free: false, scrapes: true };

/** A step that the maker puts into the day. */
export interface AddedStep {
  readonly id: string;
  readonly title: string;
  /** Why, or what to see to. */
  readonly text: string;
  /** Id of the step that it follows; empty for the first place. */
  readonly after: string;
}

/** How the steps of the day differ from the plan's own. */
export interface DayChanges {
  /** Ids of steps as the maker put them in order; others keep their place after what they follow by the plan. */
  readonly order: readonly string[];
  readonly added: readonly AddedStep[];
  /** Who does a step. */
  readonly helpers: readonly { readonly stepId: string; readonly name: string }[];
  /** Pots that are held at emulsion: blended, coloured and scented only at their turn. */
  readonly held: readonly string[];
}

export const plainDay: DayChanges = { order: [], added: [], helpers: [], held: [] };

/** The pour and the day without a pot that is there no more. */
export function dayWithout<W extends { readonly pour: PourScript; readonly day: DayChanges }>(
  work: W,
  potId: string,
): W {
  const { pour, day } = work;
  const named =
    day.held.includes(potId) || (pour.moves?.some((m) => m.potId === potId || m.into === potId) ?? false);
  if (!named) return work;
  return {
    ...work,
    pour: {
      ...pour,
      moves: pour.moves?.filter((m) => m.potId !== potId && m.into !== potId) ?? null,
    },
    day: { ...day, held: day.held.filter((id) => id !== potId) },
  };
}
