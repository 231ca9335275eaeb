import { type Material } from '../../material/material.ts';
import { gramsPerKg } from '../../units/quantity.ts';
import {
  type AdditiveRow,
  type DoseRow,
  type Plan,
  type Pot,
  pruneMaterials,
  startingCarrier,
} from '../plan.ts';
import { addAdditive, setBase } from './base.ts';
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

/** How a material starts in a pot. Water and infused oil come out of the recipe, anything else is extra. */
function carrierFor(pot: Pot, material: Material): Pick<DoseRow, 'carrier' | 'source'> {
  const carrier = startingCarrier(pot, material);
  const { medium } = carrier ?? {};
  return { carrier, source: medium === 'water' || medium === 'infusion' ? 'batch' : 'extra' };
}

/** Adds a material at its typical dose, in the first carrier that reaches no other pot. One that is in the pot already is left alone. */
export function addDose(plan: Plan, potId: string, rowId: string, material: Material): Plan {
  const pot = plan.pots.find((p) => p.id === potId);
  if (!pot || pot.doses.some((d) => d.materialId === material.id)) return plan;
  const row: DoseRow = {
    id: rowId,
    materialId: material.id,
    dose: gramsPerKg(material.window?.typical ?? 1),
    perBar: null,
    ...carrierFor(pot, material),
  };
  return { ...setDoses(plan, potId, (doses) => [...doses, row]), materials: withCopy(plan, material) };
}

/** Changes dose (g/kg oils), the wish per bar, carrier or its source of a row. */
export const setDose = (
  plan: Plan,
  potId: string,
  rowId: string,
  change: Partial<Pick<DoseRow, 'dose' | 'perBar' | 'carrier' | 'source'>>,
): Plan =>
  setDoses(plan, potId, (doses) =>
    doses.map((d) =>
      // A dose that is set by hand is no longer that of a wish.
      d.id === rowId ? { ...d, ...(change.dose === undefined ? {} : { perBar: null }), ...change } : d,
    ),
  );

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
      perBar: null,
      ...(before ? { carrier: before.carrier, source: before.source } : carrierFor(pot, material)),
    };
  });
  const copied = parts.reduce<Plan>((p, { material }) => ({ ...p, materials: withCopy(p, material) }), plan);
  return pruneMaterials({
    ...copied,
    pots: plan.pots.map((p) => (p.id === potId ? { ...p, follows, doses: [...rows, ...kept] } : p)),
  });
}

/** Takes a dose out of its pot and puts it into the whole batch, as strong there as it was in the pot. */
export function makeWholeBatch(plan: Plan, potId: string, rowId: string): Plan {
  const row = plan.pots.find((p) => p.id === potId)?.doses.find((d) => d.id === rowId);
  const material = row && plan.materials.find((m) => m.id === row.materialId);
  if (!row || !material) return plan;
  const added = addAdditive(plan, rowId, material);
  const additives = added.base.additives.map((a): AdditiveRow =>
    a.materialId === row.materialId
      ? {
          ...a,
          dose: added === plan ? gramsPerKg(a.dose + row.dose) : row.dose,
          moment: row.carrier?.medium === 'lye-water' ? 'lye-water' : 'oils',
        }
      : a,
  );
  return removeDose(setBase(added, { additives }), potId, rowId);
}
