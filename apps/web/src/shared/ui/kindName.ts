import { type MaterialKind } from '@kleur/core/material';

export const kindName: Readonly<Record<MaterialKind, string>> = {
  pigment: 'Pigments',
  mica: 'Micas',
  fluorescent: 'Fluorescents',
  dye: 'Lakes and dyes',
  clay: 'Clays',
  botanical: 'Plants and foods',
  scrub: 'Scrubs',
  additive: 'Additives',
  oil: 'Oils',
  scent: 'Scents',
};
