import { type Printer } from '../units/printer.ts';
import { type LogEntry, TRACES, TROUBLES } from './entry.ts';

/** Names for what an entry refers to by id. */
export interface EntryNames {
  readonly pot: (id: string) => string;
  readonly cup: (id: string) => string;
  /** A line of the sheet. */
  readonly line: (id: string) => string;
  /** A step of the run sheet. */
  readonly step: (id: string) => string;
}

const QUARTERS = ['nothing', 'a quarter', 'half', 'three quarters', 'all'];

/** A fraction as people say it: quarters in words, others in per cent. */
export function sayFraction(value: number, print: Printer): string {
  const word = Number.isInteger(4 * value) ? QUARTERS[4 * value] : undefined;
  return word ?? print.percent(value * 100, 0);
}

/** What was said, as one line. */
export const sayEntry = (entry: LogEntry, names: EntryNames, print: Printer): string =>
  `${sayPlainly(entry, names, print)}${entry.simulated ? ' (simulated instrument)' : ''}`;

function sayPlainly(entry: LogEntry, names: EntryNames, print: Printer): string {
  const { kind, by, value, text } = entry;
  const pot = names.pot(entry.potId);
  switch (kind) {
    case 'added': {
      const cup = names.cup(entry.target);
      if (by === 'left') return `${pot}: ${cup}, the cup weighs ${print.grams(value)} now`;
      const amount = {
        part: `${sayFraction(value, print)} of the cup`,
        rest: 'the rest of the cup',
        drops: `${print.number(value, 0)} ${value === 1 ? 'drop' : 'drops'}`,
        grams: `${print.grams(value)} of the dispersion`,
      }[by as 'part' | 'rest' | 'drops' | 'grams'];
      return `${pot}: ${cup}, ${amount}`;
    }
    case 'sized':
      if (by === 'fraction') return `${pot}: about ${print.percent(value * 100, 0)} of the planned batter`;
      return `${pot}: ${by === 'grams' ? print.mass(value) : print.volume(value)} of batter`;
    case 'took':
    case 'spared': {
      const amount = by === 'fraction' ? sayFraction(value, print) : print.mass(value);
      const spare = text === '' ? 'a spare mould' : `the test cup “${text}”`;
      return `${amount} of ${pot} into ${kind === 'spared' ? spare : names.pot(entry.target)}`;
    }
    case 'weighed':
      return `${names.line(entry.target)}: ${print.mass(value)} weighed`;
    case 'settled':
      return `Lye: ${{ mended: 'mended', used: 'used as it is', thrown: 'thrown away' }[text] ?? text}`;
    case 'scented':
      return `${pot}: ${sayFraction(value, print)} of its scent`;
    case 'thickness':
      return `${pot}: ${TRACES[value] ?? ''}`;
    case 'trouble':
      return `${pot}: ${TROUBLES[value] ?? ''}`;
    case 'warmth':
      return `${entry.target.charAt(0).toUpperCase()}${entry.target.slice(1)} at ${print.temperature(value)}`;
    case 'pictured':
    case 'spoken': {
      const of = pot !== '' ? pot : names.step(entry.target);
      return `${of}: ${kind === 'pictured' ? 'a photo' : 'a voice note'}`;
    }
    case 'noted':
      return pot === '' ? text : `${pot}: ${text}`;
    case 'done':
      return `Done: ${names.step(entry.target)}`;
    case 'skipped':
      return `Left out: ${names.step(entry.target)}, ${text}`;
    case 'decided':
      return value === 1 ? 'Decided: the full design' : 'Decided: the simpler design';
    case 'timed':
      return `Timer: ${text}, ${print.number(value, 0)} min`;
    case 'voided':
      return '';
  }
}
