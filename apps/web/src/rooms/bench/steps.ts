import { type ComponentType } from 'react';

/** A step of the job, in the order people work. Router, step navigation, keys and the help on keys are made of these. */
export interface Step {
  readonly path: string;
  readonly label: string;
  readonly load: () => Promise<ComponentType>;
}

export const steps: readonly Step[] = [
  { path: 'idea', label: 'Idea', load: async () => (await import('./steps/IdeaStep.tsx')).IdeaStep },
  { path: 'base', label: 'Base', load: async () => (await import('./steps/BaseStep.tsx')).BaseStep },
  { path: 'pots', label: 'Pots', load: async () => (await import('./steps/PotsStep.tsx')).PotsStep },
  { path: 'prep', label: 'Prep', load: async () => (await import('./steps/PrepStep.tsx')).PrepStep },
  { path: 'make', label: 'Make', load: async () => (await import('./steps/MakeStep.tsx')).MakeStep },
  { path: 'result', label: 'Result', load: async () => (await import('./steps/ResultStep.tsx')).ResultStep },
];

/** The step that a batch opens at. */
export const FIRST_STEP = 'pots';
