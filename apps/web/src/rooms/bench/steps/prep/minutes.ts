import { type Minutes } from '@kleur/core/plan';

export const MINUTE_NAMES: Readonly<Record<keyof Minutes, string>> = {
  split: 'Split off',
  colour: 'Colour',
  scent: 'Scent',
  pour: 'Pour',
  top: 'On the top',
};
export const MINUTE_KEYS: readonly (keyof Minutes)[] = ['split', 'colour', 'scent', 'pour', 'top'];
