import { type Caution, type Material } from '@kleur/core/material';

const BRINGS: Partial<Readonly<Record<Caution, string>>> = {
  bleeds: 'bleeds',
  fades: 'fades',
  fast: 'speeds trace',
  'alkali-shift': 'shifts in lye',
  heat: 'heats',
};

/** What a colourant brings into a pot beside its colour, as verbs: "bleeds and fades"; empty for nothing. */
export const bringsText = (material: Material | undefined): string =>
  (material?.cautions ?? []).flatMap((c) => BRINGS[c] ?? []).join(' and ');

/** Colourants that join a pot, each with what it brings: "Flare pink is added, which fades". */
export const joinedText = (ids: readonly string[], shelf: ReadonlyMap<string, Material>): string =>
  ids
    .map((id) => {
      const material = shelf.get(id);
      const brings = bringsText(material);
      return `${material?.name ?? id} is added${brings === '' ? '' : `, which ${brings}`}`;
    })
    .join('; ');
