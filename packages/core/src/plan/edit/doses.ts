import { type Material } from '../../material/material.ts';
import { gramsPerKg } from '../../units/quantity.ts';
import { type DoseRow, type Plan, pruneMaterials } from '../plan.ts';
import { withCopy } from './copies.ts';

const setDoses = (
  plan: Plan,
  potId: string,
  change: (doses: readonly DoseRow[]) => readonly DoseRow[],
): Plan => ({
  ...plan,
  // A formula changed by hand no longer follows the palette.
  pots: plan.pots.map((p) => (p.id === potId ? { ...p, follows: null, doses: change(p.doses) } : p)),
});

/** The first carrier of a material. Water comes out of the recipe's liquid, anything else is extra. */
const carrierFor = (material: Material): Pick<DoseRow, 'carrier' | 'source'> => {
  const carrier = material.carriers[0] ?? null;
  return { carrier, source: carrier?.medium === 'water' ? 'batch' : 'extra' };
};

/** Adds a material at its typical dose and first carrier. One that is in the pot already is left alone. */
export function addDose(plan: Plan, potId: string, rowId: string, material: Material): Plan {
  const pot = plan.pots.find((p) => p.id === potId);
  if (!pot || pot.doses.some((d) => d.materialId === material.id)) return plan;
  const row: DoseRow = {
    id: rowId,
    materialId: material.id,
    dose: gramsPerKg(material.window?.typical ?? 1),
    ...carrierFor(material),
  };
  return { ...setDoses(plan, potId, (doses) => [...doses, row]), materials: withCopy(plan, material) };
}

/** Changes dose (g/kg oils), carrier or its source of a row. */
export const setDose = (
  plan: Plan,
  potId: string,
  rowId: string,
  change: Partial<Pick<DoseRow, 'dose' | 'carrier' | 'source'>>,
): Plan => setDoses(plan, potId, (doses) => doses.map((d) => (d.id === rowId ? { ...d, ...change } : d)));

/** Takes a colourant or additive out of a pot. */
export const removeDose = (plan: Plan, potId: string, rowId: string): Plan =>
  pruneMaterials(setDoses(plan, potId, (doses) => doses.filter((d) => d.id !== rowId)));

/** Takes over the shelf's present state of a material that the plan already holds. */
export const refreshMaterial = (plan: Plan, material: Material): Plan => ({
  ...plan,
  materials: plan.materials.map((m) => (m.id === material.id ? material : m)),
});

/** A formula as a recipe gives it. */
export interface FormulaPart {
  readonly rowId: string;
  readonly material: Material;
  readonly dose: number;
}

/**
 * Replaces a pot's colourants by a recipe's; a colourant that stays keeps its carrier. Scrubs and additives stay.
 * `follows` links the pot to the palette colour that the recipe was made for.
 */
export function setFormula(
  plan: Plan,
  potId: string,
  parts: readonly FormulaPart[],
  follows: string | null = null,
): Plan {
  const pot = plan.pots.find((p) => p.id === potId);
  if (!pot) return plan;
  const kept = pot.doses.filter((d) => {
    const kind = plan.materials.find((m) => m.id === d.materialId)?.kind;
    return (kind === 'scrub' || kind === 'additive') && !parts.some((p) => p.material.id === d.materialId);
  });
  const rows = parts.map(({ rowId, material, dose }): DoseRow => {
    const before = pot.doses.find((d) => d.materialId === material.id);
    return {
      id: before?.id ?? rowId,
      materialId: material.id,
      dose: gramsPerKg(dose),
      ...(before ? { carrier: before.carrier, source: before.source } : carrierFor(material)),
    };
  });
  const copied = parts.reduce<Plan>((p, { material }) => ({ ...p, materials: withCopy(p, material) }), plan);
  return pruneMaterials({
    ...copied,
    pots: plan.pots.map((p) => (p.id === potId ? { ...p, follows, doses: [...rows, ...kept] } : p)),
  });
}
