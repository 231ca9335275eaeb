import { type BatchState } from '@kleur/contract';

export const stateName: Readonly<Record<BatchState, string>> = {
  idea: 'Idea',
  planned: 'Planned',
  poured: 'Poured',
  curing: 'Curing',
  finished: 'Finished',
};

/** Soap that may contain lye is on hold, whatever its age: never *finished*. */
export const stateText = ({
  state,
  onHold,
}: {
  readonly state: BatchState;
  readonly onHold: boolean;
}): string => (onHold ? 'On hold' : stateName[state]);
