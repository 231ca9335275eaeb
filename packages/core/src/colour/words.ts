import { type LabD65 } from './lab.ts';

/*
 * Words for a colour, made of lightness, chroma and hue, for ears and for search: “medium greyish teal”. The same words
 * say which colour is meant when they are typed.
 */

/** Hue angles of CIELAB at which a hue ends, degrees, with the colour that its name stands for. */
const HUES: readonly (readonly [end: number, name: string])[] = [
  [12, 'rose'],
  [42, 'red'],
  [75, 'orange'],
  [102, 'yellow'],
  [128, 'yellow-green'],
  [168, 'green'],
  [222, 'teal'],
  [275, 'blue'],
  [298, 'indigo'],
  [322, 'violet'],
  [345, 'purple'],
  [360, 'rose'],
];
/** Up to this L* a colour is called so. */
const DEPTHS: readonly (readonly [upTo: number, word: string, lightness: number])[] = [
  [28, 'very dark', 20],
  [42, 'dark', 35],
  [62, 'medium', 52],
  [78, 'light', 70],
  [Infinity, 'pale', 85],
];
/** Up to this C* a colour is called so; between muted and vivid nothing is said. */
const STRENGTHS: readonly (readonly [upTo: number, word: string, chroma: number])[] = [
  [16, 'greyish', 11],
  [32, 'soft', 24],
  [58, '', 42],
  [Infinity, 'vivid', 68],
];
/** Below this chroma nobody would name a hue. */
const NEUTRAL = 5;
const WARM = [40, 100] as const;

const hueOf = (a: number, b: number): number => ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;

/** A hue has other names where it is dark, light or soft. */
function nameOf(L: number, C: number, hue: number): { readonly name: string; readonly told?: string } {
  const base = HUES.find(([end]) => hue < end)![1];
  const warm = hue >= WARM[0] && hue < WARM[1];
  if (warm && L >= 84 && C < 30) return { name: 'cream', told: '' };
  if (warm && L >= 60 && C < 30) return { name: 'beige' };
  if (warm && L < 62 && (base === 'orange' || C < 45)) return { name: 'brown' };
  if (base === 'yellow' && L < 62) return { name: 'olive' };
  if ((base === 'rose' || base === 'red') && L >= 62 && C < 58) return { name: 'pink' };
  return { name: base };
}

/** Words for a colour: depth, strength where it is not the usual one, and hue. */
export function colourWords([L, a, b]: LabD65): string {
  const C = Math.hypot(a, b);
  const [, depth] = DEPTHS.find(([upTo]) => L <= upTo)!;
  if (C < NEUTRAL) {
    if (L > 90) return 'white';
    return L < 20 ? 'black' : `${depth} grey`;
  }
  const { name, told = depth } = nameOf(L, C, hueOf(a, b));
  const [, strength] = STRENGTHS.find(([upTo]) => C <= upTo)!;
  const quiet =
    name === 'cream' ||
    (name === 'beige' && strength !== 'vivid') ||
    (name === 'pink' && strength === 'soft');
  return [told, quiet ? '' : strength, name].filter((w) => w !== '').join(' ');
}

/** Hues and their own lightness and chroma where none is said. */
const MEANT: Readonly<Record<string, readonly [L: number, C: number, hue: number]>> = {
  white: [94, 3, 95],
  black: [18, 1, 90],
  grey: [55, 1, 90],
  cream: [88, 18, 85],
  beige: [74, 18, 78],
  brown: [38, 30, 62],
  olive: [48, 35, 103],
  pink: [74, 30, 8],
  rose: [58, 42, 3],
  red: [42, 52, 30],
  orange: [64, 60, 60],
  yellow: [82, 60, 90],
  'yellow-green': [70, 45, 115],
  green: [50, 35, 148],
  teal: [50, 26, 195],
  turquoise: [65, 30, 195],
  blue: [45, 38, 262],
  indigo: [32, 40, 290],
  violet: [42, 38, 308],
  purple: [42, 40, 330],
};

/** The colour that words mean, such as “dark greyish teal”; null where they name no hue. */
export function colourFromWords(text: string): LabD65 | null {
  const said = text.toLowerCase().replaceAll('gray', 'grey').trim();
  const names = Object.keys(MEANT).sort((x, y) => y.length - x.length);
  const name = names.find((n) => new RegExp(`(^|\\s)${n}$`).test(said));
  if (!name) return null;
  const rest = said.slice(0, said.length - name.length).trim();
  let [L, C] = MEANT[name]!;
  const hue = MEANT[name]![2];
  let left = rest;
  // “very dark” before “dark”.
  for (const [, word, lightness] of DEPTHS) {
    if (!new RegExp(`(^|\\s)${word}(\\s|$)`).test(left)) continue;
    L = lightness;
    left = left.replace(word, '').trim();
    break;
  }
  for (const [, word, chroma] of STRENGTHS) {
    if (word === '' || !new RegExp(`(^|\\s)${word}(\\s|$)`).test(left)) continue;
    C = chroma;
    left = left.replace(word, '').trim();
    break;
  }
  if (left !== '') return null;
  const angle = (hue * Math.PI) / 180;
  return [L, C * Math.cos(angle), C * Math.sin(angle)];
}
