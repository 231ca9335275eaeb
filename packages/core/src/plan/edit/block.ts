import { type Material } from '../../material/material.ts';
import { gramsPerKg } from '../../units/quantity.ts';
import { type Embed, type EmbedPart, type PowderLine } from '../embed.ts';
import { type Moulding, type MouldRow } from '../moulding.ts';
import { type Plan, pruneMaterials } from '../plan.ts';
import { withCopy } from './copies.ts';

/** Changes moulds, bars, headroom or density. */
export const setMoulding = (plan: Plan, change: Partial<Moulding>): Plan => ({
  ...plan,
  moulding: { ...plan.moulding, ...change },
});

/** Changes a mould of the batch, or how many of it there are. */
export const setMould = (plan: Plan, id: string, change: Partial<Omit<MouldRow, 'id'>>): Plan =>
  setMoulding(plan, { moulds: plan.moulding.moulds.map((m) => (m.id === id ? { ...m, ...change } : m)) });

/** Adds an embed. */
export const addEmbed = (plan: Plan, embed: Embed): Plan => ({ ...plan, embeds: [...plan.embeds, embed] });
/** Changes an embed; copies that it no longer uses go. */
export const setEmbed = (plan: Plan, id: string, change: Partial<Omit<Embed, 'id'>>): Plan =>
  pruneMaterials({ ...plan, embeds: plan.embeds.map((e) => (e.id === id ? { ...e, ...change } : e)) });
/** Takes an embed out. */
export const removeEmbed = (plan: Plan, id: string): Plan =>
  pruneMaterials({ ...plan, embeds: plan.embeds.filter((e) => e.id !== id) });

/** Changes one colour of an embed; copies that it no longer uses go. */
export function setEmbedPart(
  plan: Plan,
  embedId: string,
  partId: string,
  change: Partial<Omit<EmbedPart, 'id'>>,
): Plan {
  const embed = plan.embeds.find((e) => e.id === embedId);
  if (!embed) return plan;
  return setEmbed(plan, embedId, {
    parts: embed.parts.map((p) => (p.id === partId ? { ...p, ...change } : p)),
  });
}

/** Adds a colourant to one colour of an embed at its typical dose. */
export function addEmbedDose(
  plan: Plan,
  embedId: string,
  partId: string,
  rowId: string,
  material: Material,
): Plan {
  const part = plan.embeds.find((e) => e.id === embedId)?.parts.find((p) => p.id === partId);
  if (!part || part.doses.some((d) => d.materialId === material.id)) return plan;
  const dose = { id: rowId, materialId: material.id, dose: gramsPerKg(material.window?.typical ?? 1) };
  return setEmbedPart({ ...plan, materials: withCopy(plan, material) }, embedId, partId, {
    doses: [...part.doses, dose],
  });
}

/** Powder that pieces are rolled in for an outline, g per dm² as it sticks. */
export const DUSTING_STARTS = 0.3;

/** Rolls an embed in a powder, or in none. */
export const setEmbedDusting = (plan: Plan, embedId: string, material: Material | null): Plan =>
  setEmbed(material ? { ...plan, materials: withCopy(plan, material) } : plan, embedId, {
    dusting: material && { materialId: material.id, gramsPerDm2: DUSTING_STARTS },
  });

/** Adds a powder line of a material between layers. */
export const addLine = (plan: Plan, line: PowderLine, material: Material): Plan => ({
  ...plan,
  lines: [...plan.lines, line],
  materials: withCopy(plan, material),
});
/** Changes a powder line. */
export const setLine = (plan: Plan, id: string, change: Partial<Omit<PowderLine, 'id'>>): Plan => ({
  ...plan,
  lines: plan.lines.map((l) => (l.id === id ? { ...l, ...change } : l)),
});
/** Takes a powder line out. */
export const removeLine = (plan: Plan, id: string): Plan =>
  pruneMaterials({ ...plan, lines: plan.lines.filter((l) => l.id !== id) });
