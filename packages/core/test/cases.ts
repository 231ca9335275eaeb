/*
 * How many cases random and exhaustive tests look at. An ordinary run looks at few of them and stays quick; with
 * `KLEUR_CASES=full` every test looks at all.
 */
// oxlint-disable-next-line no-restricted-globals -- the one place that asks how long the run may be
const isFull = process.env.KLEUR_CASES === 'full';

/** Cases of an ordinary run, or of a full one. */
export const cases = (ordinary: number, full: number): number => (isFull ? full : ordinary);

/** A test that takes long and whose rule a shorter one holds too: run in full runs only. */
export const itInFull: jest.It = isFull ? it : it.skip;
