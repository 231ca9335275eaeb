import { type LyeDoubt, type LyePlace, type Slip } from '@kleur/core/day';

interface Amounts {
  readonly what: string;
  readonly weighed: string;
  readonly planned: string;
}

const slips: Readonly<Record<Slip, string>> = {
  'ounces-as-grams': 'Were ounces typed as grams?',
  'grams-as-ounces': 'Were grams typed as ounces?',
  'kilograms-as-grams': 'Were kilograms typed as grams?',
  'grams-as-kilograms': 'Were grams typed as kilograms?',
  'ten-times': 'This is ten times the amount: check the decimal point.',
  'a-tenth': 'This is a tenth of the amount: check the decimal point.',
  twice: 'This is twice the amount: was it weighed in two times?',
  forgotten: 'Was this left out?',
  'tare-left-in': 'Was the scale set to zero before this was added?',
  swapped: 'Were two oils swapped?',
};

const places: Readonly<Record<LyePlace, string>> = {
  dry: 'The lye is still dry.',
  vessel: 'The lye is dissolved and not poured.',
  oils: 'The lye is in the oils.',
  split: 'The batter is divided.',
};

/** Sentences about a lye that was weighed otherwise. */
export const lyeDoubtTexts = {
  title: 'Stop: check this weight',
  off: ({ what, weighed, planned }: Amounts): string => `${what}: ${weighed} weighed, ${planned} planned.`,
  slip: (slip: Slip): string => slips[slip],
  superfat: ({ made, planned }: { readonly made: string; readonly planned: string }): string =>
    `Superfat is now ${made} instead of ${planned}.`,
  unknown: 'The superfat cannot be calculated: a SAP value is missing.',
  mayUse: ({ superfat, usableTo, planned }: LyeDoubt): string => {
    if (superfat === null || superfat < 0)
      return 'Do not use this soap: there is more lye than the oils can take.';
    if (superfat < Math.min(3, planned))
      return 'Little room for error: mend it, or test the soap before use.';
    if (superfat > usableTo)
      return 'Too much oil would stay: the bars stay soft. Mend it, or rebatch the soap.';
    return superfat > planned
      ? 'It may be used as it is: the bars come out softer.'
      : 'It may be used as it is.';
  },
  place: (place: LyePlace): string => places[place],
  takeOut: ({ grams, total }: { readonly grams: string; readonly total: string }): string =>
    `Spoon ${grams} of dry lye back, so that ${total} stay.`,
  addLye: ({ grams, total }: { readonly grams: string; readonly total: string }): string =>
    `Add ${grams} of lye, so that there are ${total}. Dissolve it fully.`,
  partOfSolution: (v: { readonly percent: string; readonly use: string; readonly of: string }): string =>
    `Use ${v.percent} of the solution: weigh out ${v.use} of ${v.of}. Label the rest as lye.`,
  addOil: ({ grams, what }: { readonly grams: string; readonly what: string }): string =>
    `Add ${grams} of ${what}.`,
  addOilNote: 'Melt the oil first and blend it in. Colour and scent per kg fall, and the mould may overfill.',
  neverAdd: 'Do not add lye to the batter.',
  noMend: 'There is no safe way to mend it now. Keep it on hold and test it, or throw it away.',
  mended: 'Mended like this',
  again: 'Weigh again',
  used: 'Use as it is',
  thrown: 'Throw it away',
  thrownNote: 'A lye was thrown away and is weighed anew.',
  caution: 'The batch goes on hold: test it for lye before anybody uses it.',
  blocked: 'Answer the question about the lye first.',
  sodium: 'Sodium hydroxide',
  potassium: 'Potassium hydroxide',
  water: 'Water',
};
