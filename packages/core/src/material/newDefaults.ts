import { type Carrier, type Material } from './material.ts';
import { defaultCurve } from './curve.ts';
import { defaultOptics } from './ownMaterial.ts';

/** Colours that entries of the starting shelf stated before their curves stood on known scattering. */
const FORMER_COLOURS: Readonly<Record<string, string>> = {
  'titanium-dioxide-oil': '#f6f4ee',
  'titanium-dioxide-water': '#f6f4ee',
  'zinc-oxide': '#f3f0e6',
  'activated-charcoal': '#4d4f52',
  'mica-hoarfrost': '#ece9e2',
  kaolin: '#efe9dc',
};
/** Carriers that they named. */
const FORMER_CARRIERS: Readonly<Record<string, readonly Carrier[]>> = {
  'activated-charcoal': [
    { medium: 'oil', ratio: 3 },
    { medium: 'batch-oils', ratio: 0 },
  ],
};

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * A shelf item as stored, with the default curve that is built today. Looks, colour and carriers follow its entry
 * (none for a maker's own) where the maker has not changed them; a fitted curve stays.
 */
export function takeNewDefaults(stored: Material, entry: Material | undefined): Material {
  if (stored.curve?.origin.kind !== 'default' || stored.optics?.specks) return stored;
  const asEntered =
    entry?.optics &&
    [entry.colour, FORMER_COLOURS[stored.id]].includes(stored.colour?.toLowerCase()) &&
    stored.window?.typical === entry.window?.typical;
  if (!asEntered) {
    const optics = defaultOptics(stored);
    return { ...stored, optics, curve: optics && defaultCurve(stored.kind) };
  }
  const carriers = FORMER_CARRIERS[stored.id];
  return {
    ...stored,
    colour: entry.colour,
    looks: entry.looks,
    optics: entry.optics,
    curve: entry.curve,
    carriers: carriers && same(stored.carriers, carriers) ? entry.carriers : stored.carriers,
  };
}
