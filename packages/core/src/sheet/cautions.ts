import { cautionText } from '../material/cautions.ts';
import { type Caution, type Material } from '../material/material.ts';
import { embedMaterials } from '../plan/embed.ts';
import { isMilk } from '../plan/liquid.ts';
import { materialOf, type Plan } from '../plan/plan.ts';
import { listOf, type SheetContext } from './context.ts';

/** Lye: whole, beside the amounts. */
export const LYE_CAUTIONS: readonly string[] = [
  'Lye burns skin and eyes: goggles, gloves, long sleeves, closed shoes, fresh air; children and pets out of the room.',
  'Lye to the liquid, in small portions, never liquid to lye. A heat-safe vessel of polypropylene or stainless steel: never aluminium or zinc, never glass; no metal powders or foils in the batter. Label the vessel; store lye dry and locked.',
  'Skin or eye contact: rinse with plenty of running water at once and for a long time, and get medical help; never vinegar on skin. Dry lye on skin or clothes: brush it off first, then rinse. Swallowed: rinse the mouth, do not bring on vomiting, emergency help. Breathed in: fresh air, help.',
  'Check the lye figure with a second, independent calculation and your supplier’s own saponification values.',
];

/** Of milk, sugar, beer in the lye. */
export function liquidCautions({ base }: Plan): string[] {
  const kinds = base.liquid.parts.filter((p) => p.percent > 0).map((p) => p.kind);
  return [
    ...(kinds.some(isMilk) || kinds.includes('puree')
      ? ['Milk, purée or sugar in lye heats fast: freeze it, add the lye slowly.']
      : []),
    ...(kinds.includes('beer')
      ? ['Beer and wine flat and boiled free of alcohol first, or they erupt.']
      : []),
  ];
}

/** Every material of the plan that is handled. */
export const handled = ({ plan, prep }: SheetContext): readonly Material[] => [
  ...new Set([
    ...prep.totals.map((t) => t.material),
    ...prep.additives.map((t) => t.material),
    ...prep.lines.map((t) => t.material),
    ...plan.embeds.flatMap(embedMaterials).map((id) => materialOf(plan, id)),
  ]),
];

/** Dust, where any is weighed. */
export const powderCaution = (ctx: SheetContext): string[] =>
  handled(ctx).some((m) => m.cautions.includes('fine-powder') || m.form === 'powder')
    ? [
        'Powders must not be breathed: FFP2 or N95 mask, no fan, wet them early. Clays and pumice may hold crystalline silica, which causes lung cancer; titanium dioxide dust is suspected to.',
      ]
    : [];

/** Scent, where it is handled. */
export const scentCautions = ({ plan }: SheetContext): string[] =>
  plan.base.scent
    ? [
        'Scent: never above the supplier’s limit for rinse-off soap; measure in glass or steel. Cinnamon, clove and cold-pressed citrus, pregnancy and pets: see the supplier’s sheet.',
      ]
    : [];

/** What single materials ask for, each once. */
export function materialCautions(ctx: SheetContext): string[] {
  const materials = handled(ctx);
  const told: readonly Caution[] = [
    'bleeds',
    'stains',
    'heat',
    'sensitiser',
    'allergen',
    'scratchy',
    'mould',
    'restricted-colour',
    'sinks',
  ];
  return told.flatMap((caution) => {
    const names = materials.filter((m) => m.cautions.includes(caution)).map((m) => m.name);
    return names.length > 0 ? [`${listOf(names)}: ${cautionText[caution]}`] : [];
  });
}

export const FRESH_BATTER =
  'Fresh batter is caustic for a day or more: gloves for mixing, piping, unmoulding and cutting early.';
export const HOT_MOULD =
  'Gel can boil over: never leave a heating mould unwatched. The oven only after it was switched off, and never for food at the same time.';
export const ALCOHOL =
  'Alcohol is very flammable: no flame, no pilot light, nothing warm; never into a warm oven after misting, and a heating mat counts as heat.';
export const OWN_RULES = 'Supplier sheets, local rules and licensed advice come before anything said here.';
