import { type Material } from '../material/material.ts';
import { type NamedOil, oilNamed } from './oilNames.ts';

/** A part of a typed blend that cannot be used as it stands. */
export interface OilQuestion {
  /** The part as it was typed: the key of its answer. */
  readonly part: string;
  readonly why: 'unclear' | 'look-alike' | 'amount' | 'twice' | 'open';
  /** Oils that it may mean, the likeliest first. */
  readonly nearest: readonly Material[];
}

/** A blend of oils as it was typed or pasted. */
export interface OilLine {
  /** What was understood. With questions open their shares are missing from 100 %. */
  readonly oils: readonly { readonly material: Material; readonly percent: number }[];
  /** Together, where the amounts were masses in g. */
  readonly total: number | null;
  readonly questions: readonly OilQuestion[];
}

/** Shares that add up to more than this are masses. */
const MOST_PERCENT = 105;

const GRAMS_IN = { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 };

/** By how a unit begins: grams, kilograms, ounces, pounds. */
const UNIT_GRAMS: Readonly<Record<string, number>> = { ...GRAMS_IN, ou: GRAMS_IN.oz, po: GRAMS_IN.lb };

const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const POUNDS_AND_OUNCES = new RegExp(String.raw`(${NUMBER})\s*lbs?\s*(${NUMBER})\s*oz\b`, 'i');
const AMOUNT = String.raw`${NUMBER}\s*(?:%|(?:kg|g|grams?|oz|ounces?|lbs?|pounds?)\b)?`;

/** `76 °` and the like say at which warmth a fat melts, not how much of it there is. */
const WARMTH = /\d+\s*(?:°\s*[CF]?|deg(?:rees?)?)(?!\p{L})/giu;

/** `coconut, refined 30` is one name, `olive 60, refined palm 40` are two. */
const COMMA_IN_NAME =
  /(?<=\p{L}{3}),(?=\s*(?:refined|unrefined|virgin|high[- ]oleic|fractionated|hydrogenated)\s*(?:[\d;,]|$))/gimu;

interface Amount {
  readonly value: number;
  readonly isMass: boolean;
}

/** The one amount of a part: null for none, undefined for several. */
function amountIn(part: string): Amount | null | undefined {
  const both = POUNDS_AND_OUNCES.exec(part);
  const number = (text: string): number => Number(text.replace(',', '.'));
  if (both) {
    const rest = amountIn(part.replace(both[0], ' '));
    if (rest !== null) return undefined;
    return { value: number(both[1]!) * GRAMS_IN.lb + number(both[2]!) * GRAMS_IN.oz, isMass: true };
  }
  const [found, ...more] = part.match(new RegExp(AMOUNT, 'gi')) ?? [];
  if (found === undefined) return null;
  if (more.length > 0) return undefined;
  const unit = /(kg|g|oz|ou|lb|po)\w*\s*$/i.exec(found)?.[1]?.toLowerCase();
  const grams = unit === undefined ? null : UNIT_GRAMS[unit];
  return { value: number(/[\d.,]+/.exec(found)![0]) * (grams ?? 1), isMass: grams != null };
}

const withoutAmounts = (part: string): string =>
  part.replace(POUNDS_AND_OUNCES, ' ').replace(new RegExp(AMOUNT, 'gi'), ' ');

const hasName = (piece: string): boolean => /\p{L}/u.test(withoutAmounts(piece));

/** `olive 40 coconut 30` as its two parts; a part with one amount, or one that does not divide, as it is. */
function divided(part: string): string[] {
  if (amountIn(part) !== undefined) return [part];
  const splits = /^\s*\d/.test(part)
    ? part.split(new RegExp(String.raw`(?<=\p{L}\)?\s+)(?=${AMOUNT})`, 'iu'))
    : (part.match(new RegExp(String.raw`.*?${AMOUNT}`, 'gi')) ?? [part]);
  const pieces = splits.map((p) => p.trim());
  return pieces.every((p) => hasName(p) && amountIn(p)) ? pieces : [part];
}

function partsOf(text: string): string[] {
  // From a spreadsheet: one oil a line, its columns parted by a tab or a comma.
  const lines = text.trim().split(/\r?\n/);
  const columns = lines.length > 1 && lines.every((l) => (l.match(/\d+(?:\.\d+)?/g) ?? []).length <= 1);
  // Elsewhere a comma between two figures is a decimal one.
  return (columns ? text.replaceAll(',', ' ') : text)
    .replace(WARMTH, ' ')
    .replace(COMMA_IN_NAME, '')
    .split(/\r?\n|;|,(?!\d)|(?<!\d),(?=\d)/)
    .map((p) => p.trim())
    .filter((p) => p !== '')
    .flatMap(divided);
}

/** What the maker answered to questions, by the part asked about: the oil that is meant. */
export type OilAnswers = ReadonlyMap<string, Material>;

interface Row {
  readonly part: string;
  readonly named: NamedOil;
  readonly amount: Amount | null | undefined;
}

/**
 * Reads “olive 40, coconut 30, lard 25, castor 5”, or the same from two columns of a spreadsheet: names before or after
 * the amounts, in %, g, kg, ounces or pounds, the decimal with point or comma. One oil without an amount takes the rest
 * of 100 %. What is not clear is a question; the rest keeps the share that it has of the whole line.
 */
export function parseOilLine(
  text: string,
  shelf: readonly Material[],
  answers: OilAnswers = new Map(),
): OilLine {
  const rows = partsOf(text).map((part): Row => {
    const answer = answers.get(part);
    const named: NamedOil = answer
      ? { kind: 'found', material: answer }
      : oilNamed(withoutAmounts(part), shelf);
    return { part, named, amount: amountIn(part) };
  });
  const said = rows.reduce((sum, r) => sum + (r.amount?.value ?? 0), 0);
  const open = rows.filter((r) => r.amount === null);
  const isMass = open.length === 0 && (rows.some((r) => r.amount?.isMass) || said > MOST_PERCENT);
  const whole = isMass ? said : 100;
  const questions: OilQuestion[] = [];
  const oils = new Map<Material, number>();
  for (const row of rows) {
    const { part, named, amount } = row;
    const ask = (why: OilQuestion['why'], nearest: readonly Material[] = []): void => {
      questions.push({ part, why, nearest });
    };
    if (amount === undefined) ask('amount');
    else if (named.kind === 'asked') ask(named.lookAlike ? 'look-alike' : 'unclear', named.nearest);
    else if (oils.has(named.material)) ask('twice');
    // With several left open nobody can tell what each is to have.
    else if (amount === null && row !== open[0]) ask('open');
    else {
      const percent = ((amount?.value ?? Math.max(0, 100 - said)) / whole) * 100;
      if (percent > 0) oils.set(named.material, Number(percent.toFixed(2)));
    }
  }
  return {
    oils: [...oils].map(([material, percent]) => ({ material, percent })),
    total: isMass && said > 0 ? said : null,
    questions,
  };
}
