/** One reading as an instrument wrote it. */
export interface LineReading {
  /** g, or °C. */
  readonly value: number;
  /** As the instrument says; null where it does not. */
  readonly steady: boolean | null;
  readonly overload: boolean;
}

const GRAMS: Readonly<Record<string, number>> = { g: 1, gm: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 };
const OVER = /\b(ol|over|overload|err?)\b|^-+$|^[eE]\d*$/i;
/** A sign may stand apart from its figures; one decimal mark, point or comma. */
const FIGURE = /([+-]?)\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*(°?\s?[a-zA-Z]+)?/;

/** Whether an instrument that writes a state says that it is at rest. */
function steadyOf(text: string): boolean | null {
  if (/\b(us|sd|s\s+d|uns?table)\b|\?|~/i.test(text)) return false;
  return /\b(st|s|stable)\b/i.test(text.replace(FIGURE, ' ')) ? true : null;
}

function figureOf(text: string): { readonly value: number; readonly unit: string } | null {
  const found = FIGURE.exec(text);
  if (!found) return null;
  const [, sign, digits, unit = ''] = found;
  const value = Number(digits!.replace(',', '.')) * (sign === '-' ? -1 : 1);
  return Number.isFinite(value) ? { value, unit: unit.replace(/[°\s]/g, '').toLowerCase() } : null;
}

/** A line of a scale, as `ST,GS,+  123.4 g`, in g; null for what is no reading. Without a unit it is grams. */
export function scaleLine(text: string): LineReading | null {
  const line = text.trim();
  if (OVER.test(line)) return { value: 0, steady: false, overload: true };
  const figure = figureOf(line);
  const perUnit = figure && (figure.unit === '' ? 1 : GRAMS[figure.unit]);
  if (!figure || perUnit === undefined || perUnit === null) return null;
  return { value: figure.value * perUnit, steady: steadyOf(line), overload: false };
}

/** A line of a thermometer, as `31.5 C` or `88.7 F`, in °C; null for what is no reading. Without a unit it is °C. */
export function thermometerLine(text: string): LineReading | null {
  const line = text.trim();
  if (OVER.test(line)) return { value: 0, steady: false, overload: true };
  const figure = figureOf(line);
  if (!figure || !['', 'c', 'f'].includes(figure.unit)) return null;
  const value = figure.unit === 'f' ? ((figure.value - 32) * 5) / 9 : figure.value;
  return { value, steady: steadyOf(line), overload: false };
}

/** Longest line that an instrument is read from; what is longer is no reading. */
const LONGEST_LINE = 120;

/** Puts what comes in pieces together into lines. Of a flood the last line counts: a scale is asked what it shows now. */
export class LineReader {
  private rest = '';

  /** @returns the last whole line of a piece; null while none is whole. */
  add(piece: string): string | null {
    const lines = (this.rest + piece).split(/[\r\n]+/);
    this.rest = (lines.pop() ?? '').slice(-LONGEST_LINE);
    const whole = lines.filter((l) => l.trim() !== '' && l.length <= LONGEST_LINE);
    return whole.at(-1) ?? null;
  }
}
