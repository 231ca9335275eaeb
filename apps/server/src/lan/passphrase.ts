import { randomInt } from 'node:crypto';

const CONSONANTS = 'bdfgklmnprstvz';
const VOWELS = 'aeiou';
const SYLLABLES = 8;
const IN_A_WORD = 2;

const letterOf = (letters: string): string => letters.charAt(randomInt(letters.length));

/** A passphrase that can be read out and typed on a tablet: four short words, 49 bits. */
export function madePassphrase(): string {
  const syllables = Array.from({ length: SYLLABLES }, () => letterOf(CONSONANTS) + letterOf(VOWELS));
  return Array.from({ length: SYLLABLES / IN_A_WORD }, (_, i) =>
    syllables.slice(i * IN_A_WORD, (i + 1) * IN_A_WORD).join(''),
  ).join('-');
}
