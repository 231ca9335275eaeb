import { line, type SheetLine } from '../sheet/sheet.ts';

/** A wait that a step asks for, in minutes. */
export interface Wait {
  readonly label: string;
  readonly minutes: number;
}

/** One thing at a time: what is done at one vessel, cup, pot or mould. */
export interface RunStep {
  /** The same for as long as the plan holds what the step is of. */
  readonly id: string;
  readonly kind: StepKind;
  readonly title: string;
  readonly potId: string | null;
  readonly lines: readonly SheetLine[];
  readonly cautions: readonly string[];
  /** Vessel and tools; empty for none in particular. */
  readonly tools: string;
  readonly reason: string;
  /** What it should look like when it is right; empty for nothing in particular. */
  readonly sign: string;
  readonly waits: readonly Wait[];
  /** How long it takes by the plan. */
  readonly minutes: number;
  /** Which pour of several it belongs to, from 0; null for what is done once. */
  readonly sitting: number | null;
  /** Who does it; empty for nobody in particular. */
  readonly helper: string;
  /** Ids of the steps that must come before. */
  readonly needs: readonly string[];
}

/** `safety` asks for each of its lines before anything that needs it is shown; `decide` for one of two answers. */
export type StepKind = 'work' | 'safety' | 'decide';

/** A step in words; what is not given is empty. */
export const plainStep = (
  id: string,
  title: string,
  text: string,
  rest: Partial<Omit<RunStep, 'id' | 'title'>> = {},
): RunStep => ({
  id,
  kind: 'work',
  title,
  potId: null,
  lines: text === '' ? [] : [line(`${id}:what`, '', text)],
  cautions: [],
  tools: '',
  reason: '',
  sign: '',
  waits: [],
  minutes: 5,
  sitting: null,
  helper: '',
  needs: [],
  ...rest,
});
