import { type LyeState, PH_FAILS, PH_SOUND } from '@kleur/core/record';

/** Sentences of the test for lye. */
export const lyeTestTexts = {
  label: 'Test for lye',
  heads: {
    wanted: 'On hold: test it for lye before anybody uses or sells it',
    passed: 'The test for lye is passed',
    doubtful: 'On hold: test it again after 4 weeks',
    failed: 'On hold: the test for lye failed',
    held: 'On hold: no test clears this soap. Rebatch it or throw it away',
  } satisfies Readonly<Record<Exclude<LyeState, 'none-needed'>, string>>,
  onHold: 'On hold: the soap may contain lye.',
  toTest: 'Test for lye',
  how: 'Gloves: it may contain lye. After 3 days gelled, or 7 ungelled, cut it. Take core, edge and every white spot: 1 g in 99 g of boiled distilled water.',
  limits: `pH 9 to ${PH_SOUND} is sound, up to ${PH_FAILS} doubtful, above it fails. Strips on a dry surface read low.`,
  below: (pots: string): string => `Below 0 % superfat: ${pots}.`,
  ph: 'Highest pH of the spots',
  day: 'Tested on',
  place: 'Where it was highest',
  results: {
    passed: 'sound',
    doubtful: 'doubtful',
    failed: 'fails',
    held: 'a test does not clear it',
  } as Readonly<Partial<Record<LyeState, string>>>,
};
