import { type OilQuestion } from '@kleur/core/start';

const reasons: Readonly<Record<OilQuestion['why'], (offers: boolean) => string>> = {
  unclear: (offers) => (offers ? 'Which oil is this?' : 'No oil on the shelf has this name.'),
  'look-alike': (offers) =>
    offers
      ? 'Which one is this? Fats with a similar name need a different amount of lye.'
      : 'This fat needs a different amount of lye from its namesake: add it to the shelf with its own SAP value.',
  amount: () => 'Write one amount for each oil.',
  twice: () => 'This oil is in the line twice.',
  open: () => 'Only one oil can take the rest: write its amount.',
};

/** Sentences of the field that takes a whole blend. */
export const oilLineTexts = {
  label: 'Or the whole blend in one line',
  use: 'Use this blend',
  questions: 'Parts of the line that are not clear',
  example: 'Write the oils with their shares, such as olive 40, coconut 30, lard 25, castor 5.',
  atMost: ({ oils }: { readonly oils: number }): string => `At most ${oils} oils.`,
  ask: ({ part, why, nearest }: OilQuestion): string => `“${part}”: ${reasons[why](nearest.length > 0)}`,
};
