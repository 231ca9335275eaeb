/** What most likely went wrong with a weight. */
export type Slip =
  | 'ounces-as-grams'
  | 'grams-as-ounces'
  | 'kilograms-as-grams'
  | 'grams-as-kilograms'
  | 'ten-times'
  | 'a-tenth'
  | 'twice'
  | 'forgotten'
  | 'tare-left-in'
  | 'swapped';

/** A slip is named only where the weight is off by this share at least. */
const NAMED_FROM = 0.15;
const NEAR = 0.03;
const GRAMS_PER_OUNCE = 28.349523125;

const RATIOS: readonly (readonly [number, Slip])[] = [
  [1 / GRAMS_PER_OUNCE, 'ounces-as-grams'],
  [GRAMS_PER_OUNCE, 'grams-as-ounces'],
  [1 / 1000, 'kilograms-as-grams'],
  [1000, 'grams-as-kilograms'],
  [10, 'ten-times'],
  [1 / 10, 'a-tenth'],
  [2, 'twice'],
];

const isNear = (a: number, b: number): boolean => Math.abs(a - b) <= NEAR * Math.abs(b);

/**
 * The likely slip behind the weight of a line; null for none that is known.
 * @param planned all lines of the lye in the order of the sheet, g
 * @param weighed those that were weighed otherwise, g
 */
export function likelySlip(
  line: string,
  planned: ReadonlyMap<string, number>,
  weighed: ReadonlyMap<string, number>,
): Slip | null {
  const is = weighed.get(line)!;
  const should = planned.get(line)!;
  if (Math.abs(is - should) < NAMED_FROM * should) return null;
  if (is === 0) return 'forgotten';
  const kind = line.split(':')[0];
  for (const [other, mass] of weighed)
    if (
      other !== line &&
      other.split(':')[0] === kind &&
      isNear(is, planned.get(other)!) &&
      isNear(mass, should)
    )
      return 'swapped';
  const ratio = RATIOS.find(([r]) => isNear(is / should, r));
  if (ratio) return ratio[1];
  // What already stood in the vessel, if the scale was not set to zero.
  let before = 0;
  for (const [other, mass] of planned) {
    if (other === line) break;
    if ((other.split(':')[0] === 'oil') === (kind === 'oil')) before += weighed.get(other) ?? mass;
  }
  return before > 0 && isNear(is, should + before) ? 'tare-left-in' : null;
}
