import { type Material } from '../material/material.ts';

/*
 * Which oil of the shelf a typed name means. A name that fits two oils, or one whose name says more than was typed, is
 * never chosen: oils with almost the same name can take a quarter more lye.
 */

/** What a name means: one oil, or a question with the oils that come nearest, the nearest first. */
export type NamedOil =
  | { readonly kind: 'found'; readonly material: Material }
  | {
      readonly kind: 'asked';
      readonly nearest: readonly Material[];
      /** The name says a fat that is made from another one and takes another amount of lye. */
      readonly lookAlike: boolean;
    };

/** At most so many oils are offered for a name that is not clear. */
const MOST_OFFERED = 4;

/** Words that say nothing about which oil it is. */
const NOISE = new Set(
  'oil oils butter of the pure soap fat acid organic natural cosmetic grade food seed seeds rspo rbd'.split(
    ' ',
  ),
);

/** Words for how an oil was treated. Its saponification value stays; an untyped one is taken as refined. */
const GRADES = new Set(
  'refined unrefined virgin extra raw cold pressed deodorised deodorized light'.split(' '),
);
const PLAIN_GRADE = 'refined';

/** Words of a fat that was split or hardened: another saponification value than that of the oil it comes from. */
const LOOK_ALIKES = new Set(
  'fractionated hydrogenated hardened stearin stearic olein lanolin wax mct caprylic capric'.split(' '),
);

/** Names in use at the bench, and the words by which shelves list them. */
const PRACTICE: Readonly<Record<string, string>> = {
  'red palm': 'palm unrefined',
  'palm red': 'palm unrefined',
  'palm flakes': 'palm refined',
  'palm kernel flakes': 'palm kernel',
  pko: 'palm kernel',
  'extra virgin olive': 'olive',
  'virgin olive': 'olive',
  'refined olive': 'olive',
  'olive refined': 'olive',
  evoo: 'olive',
  pomace: 'olive pomace',
  almond: 'sweet almond',
  apricot: 'apricot kernel',
  rice: 'rice bran',
  ricebran: 'rice bran',
  wheat: 'wheat germ',
  wheatgerm: 'wheat germ',
  'carrot root': 'carrot root infusion in sunflower',
  soy: 'soya',
  soybean: 'soya',
  soyabean: 'soya',
  'soya bean': 'soya',
  'soy bean': 'soya',
  hempseed: 'hemp',
  grape: 'grapeseed',
  cacao: 'cocoa',
  tallow: 'beef tallow',
  beef: 'beef tallow',
  pork: 'lard',
  'bees wax': 'beeswax',
  mct: 'coconut fractionated',
  'ho sunflower': 'sunflower high oleic',
  'sunflower ho': 'sunflower high oleic',
};

/** Shortest beginning of a word that is taken for it. */
const SHORTEST_BEGINNING = 3;
/** What is paid for a beginning, for an untyped *refined*, for another untyped grade, for another untyped word. */
const COST = { beginning: 0.3, plain: 0.1, grade: 1, word: 2 } as const;
/** Two oils nearer than this to each other are not told apart. */
const CLEAR = 0.5;

const wordsOf = (name: string): string[] =>
  (name.toLowerCase().match(/\p{L}+/gu) ?? []).filter((w) => !NOISE.has(w));

/** The names under which an oil goes: as written, without what stands in brackets, and a single word in them. */
function namesOf(name: string): string[][] {
  const inside = [...name.matchAll(/\(([^)]*)\)/g)].map((m) => wordsOf(m[1]!));
  const outside = wordsOf(name.replace(/\([^)]*\)/g, ' '));
  return [wordsOf(name), outside, ...inside.filter((words) => words.length === 1)].filter(
    (n) => n.length > 0,
  );
}

interface Fit {
  readonly material: Material;
  readonly cost: number;
  /** Its name says more of what it is than was typed. */
  readonly saysMore: boolean;
}

/** How a typed name fits one name of an oil; null where a typed word is not in it. */
function fitOf(wanted: readonly string[], own: readonly string[], material: Material): Fit | null {
  const left = [...own];
  let cost = 0;
  for (const word of wanted) {
    let at = left.indexOf(word);
    if (at < 0 && word.length >= SHORTEST_BEGINNING) {
      at = left.findIndex((o) => o.startsWith(word));
      cost += COST.beginning;
    }
    if (at < 0) return null;
    left.splice(at, 1);
  }
  for (const word of left) {
    cost += word === PLAIN_GRADE ? COST.plain : GRADES.has(word) ? COST.grade : COST.word;
  }
  return { material, cost, saysMore: left.some((w) => !GRADES.has(w)) };
}

function bestFit(wanted: readonly string[], material: Material): Fit | null {
  const fits = namesOf(material.name).flatMap((own) => fitOf(wanted, own, material) ?? []);
  return fits.reduce<Fit | null>((best, f) => (best && best.cost <= f.cost ? best : f), null);
}

const pairsOf = (word: string): string[] =>
  Array.from({ length: word.length - 1 }, (_, i) => word.slice(i, i + 2));

/** Share of letter pairs that two words have in common, 0 to 1. */
function likeness(a: string, b: string): number {
  const [first, second] = [pairsOf(a), pairsOf(b)];
  const common = first.filter((p) => second.includes(p)).length;
  return (2 * common) / Math.max(1, first.length + second.length);
}

/** From this likeness on a word may be a slip for another. */
const LIKELY_SLIP = 0.55;

/** Oils with a word like one of those typed, the most like first. */
function nearestTo(wanted: readonly string[], oils: readonly Material[]): Material[] {
  const score = (m: Material): number =>
    Math.max(0, ...wordsOf(m.name).flatMap((own) => wanted.map((w) => (w === own ? 1 : likeness(w, own)))));
  return oils
    .map((material) => ({ material, like: score(material) }))
    .filter(({ like }) => like >= LIKELY_SLIP)
    .sort((a, b) => b.like - a.like || wordsOf(a.material.name).length - wordsOf(b.material.name).length)
    .map(({ material }) => material);
}

/** What a typed name means on a shelf. The order of the shelf decides nothing. */
export function oilNamed(name: string, shelf: readonly Material[]): NamedOil {
  const oils = shelf.filter((m) => m.kind === 'oil').sort((a, b) => a.name.localeCompare(b.name, 'en'));
  const typed = wordsOf(name);
  const exactly = oils.filter((m) => wordsOf(m.name).join(' ') === typed.join(' '));
  if (exactly.length === 1) return { kind: 'found', material: exactly[0]! };
  const practice = PRACTICE[typed.join(' ')];
  const wanted = practice === undefined ? typed : practice.split(' ');
  const lookAlike = wanted.some((w) => LOOK_ALIKES.has(w));
  const asked = (nearest: readonly Material[]): NamedOil => ({
    kind: 'asked',
    // Of a look-alike only its own kind is offered, never the oil that it is mistaken for.
    nearest: nearest
      .filter((m) => !lookAlike || wordsOf(m.name).some((w) => LOOK_ALIKES.has(w) && wanted.includes(w)))
      .slice(0, MOST_OFFERED),
    lookAlike,
  });
  if (wanted.length === 0) return asked([]);
  const fits = oils.flatMap((m) => bestFit(wanted, m) ?? []).sort((a, b) => a.cost - b.cost);
  const [best, next] = fits;
  if (!best) return asked(nearestTo(wanted, oils));
  const clear = !best.saysMore && (!next || next.cost - best.cost >= CLEAR);
  return clear ? { kind: 'found', material: best.material } : asked(fits.map((f) => f.material));
}
