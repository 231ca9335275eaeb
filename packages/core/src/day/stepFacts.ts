import { type Minutes } from '../plan/plan.ts';

/** What is the same for all steps of one section of the sheet. */
export interface StepFacts {
  /** What the title of each begins with. */
  readonly verb: string;
  /** Vessel and tools. */
  readonly tools: string;
  readonly reason: string;
  /** What it looks like when it is right. */
  readonly sign: string;
  /** Sections that must be behind. */
  readonly needs: readonly string[];
  /** As this maker works where the plan says so, min. */
  readonly minutes: number | keyof Minutes;
}

const facts = (verb: string, rest: Partial<Omit<StepFacts, 'verb'>>): StepFacts => ({
  verb,
  tools: '',
  reason: '',
  sign: '',
  needs: [],
  minutes: 5,
  ...rest,
});

export const SECTION_FACTS: Readonly<Record<string, StepFacts>> = {
  gather: facts('Gather', { reason: 'What is missing is found out now, not beside an open lye.' }),
  before: facts('The day before', {
    minutes: 20,
    reason: 'It sets, dissolves or freezes overnight.',
  }),
  cups: facts('Measure and wet', {
    tools: 'Cup, fine scale; a frother, or a pestle in marble or porcelain',
    reason: 'Once the lye is in there is no time for it.',
    sign: 'No specks and no streaks on white paper.',
    minutes: 3,
  }),
  lye: facts('Lye', {
    tools: 'Lye vessel, scale, long spoon, thermometer',
    sign: 'Clear, nothing left on the bottom.',
    needs: ['safety'],
    minutes: 5,
  }),
  oils: facts('Oils', {
    tools: 'Large bowl, scale, thermometer',
    sign: 'Melted and clear; no lumps of what is blended in.',
    minutes: 10,
  }),
  combine: facts('Bring them together', {
    tools: 'Stick blender, spatula',
    reason: 'Every second more of blending is time that the design lacks.',
    sign: 'No grain, no oil at the edge.',
    needs: ['lye', 'oils'],
    minutes: 3,
  }),
  split: facts('Take the pots off', {
    tools: 'Numbered jugs, each tared on the scale',
    sign: 'Still fluid: it levels by itself.',
    needs: ['combine'],
    minutes: 'split',
  }),
  colour: facts('Colour', {
    tools: 'Its jug and cup, a whisk; spatula along the wall',
    reason: 'In the order agreed on, so that little has to be washed.',
    sign: 'One colour to the wall of the jug, without streaks.',
    needs: ['split', 'cups', 'label'],
    minutes: 'colour',
  }),
  decide: facts('Full design or simpler one?', {
    reason: 'What has thickened does not thin again.',
    minutes: 0,
  }),
  pour: facts('Pour', {
    tools: 'Mould on the scale, not tared between the pours; spatula',
    needs: ['colour', 'split'],
    minutes: 'pour',
  }),
  after: facts('After the pour', { needs: ['pour'], minutes: 10 }),
};

/** Steps of a section that differ from it, by what their group’s id begins with. */
export const GROUP_FACTS: Readonly<Record<string, Partial<StepFacts>>> = {
  holds: {
    tools: 'Spatula',
    reason: 'A false emulsion gives pots with uneven lye.',
    sign: 'No grain, no oil at the edge.',
    minutes: 1,
  },
  carries: {
    tools: 'A gloved finger',
    reason: 'Poured too early it breaks through.',
    sign: 'A finger leaves no mark; tilted, nothing moves.',
    minutes: 1,
  },
  mist: { tools: 'Spray bottle of alcohol', reason: 'Without it the layers part at the cut.', minutes: 1 },
  top: { tools: 'Spoon, fork or piping bag', minutes: 'top', reason: '' },
  spare: { tools: 'Spare mould', minutes: 2 },
  scrapes: { tools: 'Cavity mould, numbered', reason: 'A clean swatch of each colour.', minutes: 3 },
};

/** Ticked one by one before a lye step shows its amounts. */
export const SAFETY = [
  'Goggles, gloves, long sleeves and closed shoes are on',
  'Window open; children and pets out of the room',
  'Heat-safe vessel of polypropylene or stainless steel, labelled; no aluminium or zinc',
  'Running water within reach',
  'Tablet or phone out of the splash zone; batteries and water do not go together',
  'The lye figure was checked with a second calculation',
];
