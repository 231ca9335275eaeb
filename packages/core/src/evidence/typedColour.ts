import { type LabD65 } from '../colour/lab.ts';
import { HEX_PATTERN, labD65FromHex } from '../colour/srgb.ts';
import { READING_LIMITS } from './reading.ts';

/** A colour as it was typed, and in which way. */
export interface TypedColour {
  readonly lab: LabD65;
  readonly how: 'lab' | 'hex';
}

/** Three numbers apart by blanks or semicolons, with point or comma; or apart by commas, with points. */
function three(text: string): readonly number[] | null {
  const spaced = text.split(/[;\s]+/).filter((t) => t !== '');
  const parts =
    spaced.length === 3
      ? spaced.map((t) => t.replace(/,$/, '').replace(',', '.'))
      : text.split(',').map((t) => t.trim());
  if (parts.length !== 3) return null;
  const numbers = parts.map((t) => (/^[+\-−]?\d+(\.\d+)?$/.test(t) ? Number(t.replace('−', '-')) : NaN));
  return numbers.every(Number.isFinite) ? numbers : null;
}

/** A colour written as hex (“#b06a49”, “b06a49”) or as L*, a*, b* in D65 (“52.1 24 31”); null for anything else. */
export function colourFromText(text: string): TypedColour | null {
  const said = text.trim();
  const hex = said.startsWith('#') ? said : `#${said}`;
  if (HEX_PATTERN.test(hex)) return { lab: labD65FromHex(hex), how: 'hex' };
  const numbers = three(said.replace(/[Lab]\*?\s*[:=]?\s*/g, ' '));
  if (!numbers) return null;
  const { lightness, chroma } = READING_LIMITS;
  const [L, a, b] = numbers as [number, number, number];
  const within = (v: number, { min, max }: { min: number; max: number }): boolean => v >= min && v <= max;
  return within(L, lightness) && within(a, chroma) && within(b, chroma)
    ? { lab: [L, a, b], how: 'lab' }
    : null;
}
