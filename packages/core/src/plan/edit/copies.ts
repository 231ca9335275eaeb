import { type Material } from '../../material/material.ts';
import { type Plan } from '../plan.ts';

/** The plan's copies with one of a material that comes in; one that is there already stays as it is. */
export const withCopy = (plan: Plan, material: Material): readonly Material[] =>
  plan.materials.some((m) => m.id === material.id) ? plan.materials : [...plan.materials, material];
