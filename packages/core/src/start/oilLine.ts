import { type Material } from '../material/material.ts';

/** A blend of oils as it was typed or pasted. */
export interface OilLine {
  readonly oils: readonly { readonly material: Material; readonly percent: number }[];
  /** Together, where the amounts were masses in g. */
  readonly total: number | null;
  /** Parts that name no oil of the shelf, or say no amount that can be read. */
  readonly unknown: readonly string[];
}

const words = (name: string): string[] => name.toLowerCase().match(/[\p{L}]+/gu) ?? [];

/** Words that say nothing about which oil it is. */
const NOISE = new Set(['oil', 'oils', 'butter', 'of', 'the', 'pure', 'soap', 'fat']);

/** How well a name fits: 0 the same, then the first word, then every word somewhere; null where it does not. */
function fit(wanted: readonly string[], material: Material): number | null {
  const own = words(material.name);
  if (wanted.join() === own.join()) return 0;
  if (!wanted.every((w) => own.some((o) => o.startsWith(w)))) return null;
  return (own[0]!.startsWith(wanted[0]!) ? 1 : 3) + (own.includes('unrefined') ? 1 : 0) + own.length / 100;
}

function oilNamed(name: string, shelf: readonly Material[]): Material | null {
  const all = words(name);
  const wanted = all.filter((w) => !NOISE.has(w));
  if (wanted.length === 0) return null;
  let best: Material | null = null;
  let least = Infinity;
  for (const m of shelf) {
    const f = m.kind === 'oil' ? fit(wanted, m) : null;
    if (f !== null && f < least) [best, least] = [m, f];
  }
  return best;
}

/** Shares that add up to more than this are masses. */
const MOST_PERCENT = 105;

/**
 * Reads “olive 40, coconut 30, lard 25, castor 5”, or the same from two columns of a spreadsheet: names before or after
 * the amounts, in % or g, the decimal with point or comma. One oil without an amount takes the rest of 100 %.
 */
export function parseOilLine(text: string, shelf: readonly Material[]): OilLine {
  // From a spreadsheet: one oil a line, its columns parted by a tab or a comma.
  const lines = text.trim().split(/\r?\n/);
  const columns = lines.length > 1 && lines.every((l) => (l.match(/\d+(?:\.\d+)?/g) ?? []).length <= 1);
  // Elsewhere a comma between two figures is a decimal one.
  const parts = (columns ? text.replaceAll(',', ' ') : text)
    .split(/\r?\n|;|,(?!\d)|(?<!\d),(?=\d)/)
    .map((p) => p.trim())
    .filter((p) => p !== '');
  const unknown: string[] = [];
  const rows: { material: Material; amount: number | null; grams: boolean }[] = [];
  for (const part of parts) {
    const amounts = part.match(/\d+(?:[.,]\d+)?/g) ?? [];
    const material = oilNamed(part.replace(/\d+(?:[.,]\d+)?\s*(?:%|g\b|kg\b)?/g, ' '), shelf);
    if (!material || amounts.length > 1 || rows.some((r) => r.material === material)) {
      unknown.push(part);
      continue;
    }
    const kilos = /\d\s*kg\b/i.test(part);
    const amount =
      amounts[0] === undefined ? null : Number(amounts[0].replace(',', '.')) * (kilos ? 1000 : 1);
    rows.push({ material, amount, grams: kilos || /\d\s*g\b/i.test(part) });
  }
  const said = rows.reduce((sum, r) => sum + (r.amount ?? 0), 0);
  const open = rows.filter((r) => r.amount === null);
  const isMass = open.length === 0 && (rows.some((r) => r.grams) || said > MOST_PERCENT);
  const whole = isMass ? said : 100;
  // With several left open nobody can tell what each is to have.
  if (open.length > 1) unknown.push(...open.slice(1).map((r) => r.material.name));
  const oils = rows.flatMap(({ material, amount }) => {
    if (amount === null && material !== open[0]!.material) return [];
    const percent = ((amount ?? Math.max(0, 100 - said)) / whole) * 100;
    return percent > 0 ? [{ material, percent: Number(percent.toFixed(2)) }] : [];
  });
  return { oils, total: isMass && said > 0 ? said : null, unknown };
}
