import { type LabD65 } from '../colour/lab.ts';
import { browningOf } from '../material/browning.ts';
import { type Material } from '../material/material.ts';
import { canvasOfOils } from '../material/oilCanvas.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { type ReadHow, type ReadWith } from './reading.ts';

/** A bar that no batch knows of, with what is in it: from a file, or of a test made before. */
export interface TestBar extends ReadWith {
  /** Made by the device, so that a bar sent twice is one. */
  readonly id: string;
  readonly name: string;
  /** Day of the reading, `YYYY-MM-DD`. */
  readonly on: string;
  /** Since the pour, h. */
  readonly hours: number;
  /** 0 none, 1 full. */
  readonly gel: number;
  readonly lab: LabD65;
  readonly how: ReadHow;
  /** ± ΔE00 by which what was read may be off. */
  readonly doubt: number;
  readonly note: string;
  /** g/kg oils, by the ids of the shelf; none for the bare base. */
  readonly doses: readonly { readonly materialId: string; readonly dose: number }[];
  /** Oils by the ids of the shelf, in any unit; none for the reference base. */
  readonly oils: readonly { readonly materialId: string; readonly share: number }[];
  /** Of the scent, g/kg oils. */
  readonly vanillin: number;
}

export const TEST_BAR_LIMITS = {
  name: 120,
  doses: 12,
  oils: 20,
  vanillin: { min: 0, max: 100 },
  /** Sent at once, and kept. */
  sent: 500,
  kept: 2000,
} as const;

/** What it is painted on. Oils that are not on the shelf any more tint nothing. */
export const testBarCanvas = (
  { oils, vanillin }: Pick<TestBar, 'oils' | 'vanillin'>,
  shelf: ReadonlyMap<string, Material>,
): Canvas =>
  canvasOfOils(
    oils.flatMap(({ materialId, share }) => {
      const material = shelf.get(materialId);
      return material ? [{ material, share }] : [];
    }),
    vanillin > 0 ? browningOf({ vanillin: 1, tan: 0 }, vanillin) : null,
  );

/** A field of a test bar that cannot be right, and what is wrong with it. */
export interface TestBarProblem {
  readonly path: string;
  readonly message: string;
}

/** What is wrong with a test bar; null for nothing. */
export function testBarProblem(bar: Pick<TestBar, 'doses'>): TestBarProblem | null {
  const ids = bar.doses.map((d) => d.materialId);
  for (const [i, { materialId, dose }] of bar.doses.entries()) {
    if (!(dose > 0)) return { path: `doses.${i}.dose`, message: 'must be more than 0' };
    if (ids.indexOf(materialId) < i) return { path: `doses.${i}.materialId`, message: 'stands there twice' };
  }
  return null;
}
