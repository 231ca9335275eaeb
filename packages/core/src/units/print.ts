import { type Spoon, type SpoonSum } from './spoons.ts';

/** The decimal mark the maker reads. Numbers never carry thousands separators. */
export type DecimalMark = 'point' | 'comma';

const MINUS = '\u2212';

/** A number with at most `digits` decimals, trailing zeros dropped, a true minus sign. "–" for what is no number. */
export function printNumber(value: number, digits: number, mark: DecimalMark = 'point'): string {
  if (!Number.isFinite(value)) return '–';
  const fixed = value.toFixed(digits).replace(/^-(0(\.0*)?)$/, '$1');
  const short = fixed.includes('.') ? fixed.replace(/\.?0+$/, '') : fixed;
  return mark === 'comma' ? signed(short).replace('.', ',') : signed(short);
}

/** A number with exactly `digits` decimals, for columns whose figures must line up. */
export function printFixed(value: number, digits: number, mark: DecimalMark = 'point'): string {
  if (!Number.isFinite(value)) return '–';
  const fixed = signed(value.toFixed(digits).replace(/^-(0(\.0*)?)$/, '$1'));
  return mark === 'comma' ? fixed.replace('.', ',') : fixed;
}

const signed = (text: string): string => text.replace('-', MINUS);

/** A number to `digits` significant figures, without exponent. For doses, which span three decades. */
export function printSignificant(value: number, digits: number, mark: DecimalMark = 'point'): string {
  if (!Number.isFinite(value)) return '–';
  if (value === 0) return '0';
  const decimals = Math.max(0, digits - 1 - Math.floor(Math.log10(Math.abs(value)) + 1e-12));
  return printNumber(value, Math.min(decimals, 4), mark);
}

const spoonNames: Readonly<Record<Spoon, string>> = {
  tbsp: 'tbsp',
  tsp: 'tsp',
  'tsp-1/2': '½ tsp',
  'tsp-1/4': '¼ tsp',
  'tsp-1/8': '⅛ tsp',
  'tsp-1/16': '1/16 tsp',
  'tsp-1/32': '1/32 tsp',
  'tsp-1/64': '1/64 tsp',
};

/** A spoon as makers write it, such as “¼ tsp”. */
export const spoonName = (spoon: Spoon): string => spoonNames[spoon];

/** "¾ cup", "2¼ cups". */
export function printCups(cups: number): string {
  const whole = Math.floor(cups);
  const part = ['', '¼', '½', '¾'][Math.round((cups - whole) * 4)]!;
  return `${whole > 0 || part === '' ? whole : ''}${part} ${cups <= 1 ? 'cup' : 'cups'}`;
}

/** "2 tsp + ¼ tsp + 2 × 1/16 tsp", with ", heaped" where they are. */
export function printSpoonSum({ spoons, filled }: SpoonSum): string {
  if (spoons.length === 0) return 'less than the smallest spoon';
  const sum = spoons
    .map(({ spoon, count }) => {
      const name = spoonNames[spoon];
      if (spoon === 'tsp' || spoon === 'tbsp') return `${count} ${name}`;
      return count === 1 ? name : `${count} × ${name}`;
    })
    .join(' + ');
  return filled === 'level' ? sum : `${sum}, ${filled}`;
}
