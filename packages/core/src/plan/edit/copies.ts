import { type Material } from '../../material/material.ts';
import { type Plan } from '../plan.ts';

export const withCopy = (plan: Plan, material: Material): readonly Material[] =>
  plan.materials.some((m) => m.id === material.id) ? plan.materials : [...plan.materials, material];
