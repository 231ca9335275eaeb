import { type Carrier, type CarrierMedium, type Material } from '../material/material.ts';
import { type Grams, grams } from '../units/quantity.ts';

export const mediumName: Readonly<Record<CarrierMedium, string>> = {
  oil: 'light oil',
  water: 'water',
  glycerin: 'glycerin',
  'lye-water': 'the lye water',
  'batch-oils': 'the batch oils',
  infusion: 'oil, infused and strained',
  trace: 'at trace, dry',
  top: 'on top only',
};

/** Liquid for a powder by weight; 0 where it goes in as it is. */
export const carrierMass = (powder: Grams, carrier: Carrier | null): Grams =>
  grams(carrier ? powder * carrier.ratio : 0);

/** How to disperse a material, as one short instruction. */
export function dispersionHint(material: Material, medium: CarrierMedium | null): string {
  switch (medium) {
    case 'lye-water':
      return 'Stir into the lye water before the oils.';
    case 'batch-oils':
      return 'Blend into the oils before the lye; scrape the pot and hunt for lumps.';
    case 'trace':
      return 'Stir in dry by hand at light trace.';
    case 'top':
      return 'Keep for the top.';
    case 'infusion':
      return 'Infuse in warm oil beforehand, then strain; the dose is the dry plant.';
    case 'water':
      if (material.kind === 'clay') return 'Sprinkle onto the water, let it drink, then stir smooth.';
      return 'Wet the powder, stir smooth, check on white paper.';
    case 'oil':
    case 'glycerin':
      return material.cautions.includes('clumps')
        ? 'Shear with a frother, let stand, shear again; strain, check on white paper.'
        : 'Stir or froth until no dry powder shows; check on white paper.';
    case null:
      return 'No carrier chosen.';
  }
}
