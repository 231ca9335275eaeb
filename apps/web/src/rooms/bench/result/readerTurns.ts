import { flowOf, gelOf, potComposition } from '@kleur/core/balance';
import { SimulatedColourReader, type Surface } from '@kleur/core/device';
import {
  type Expected,
  type Face,
  facesOf,
  type GelSeen,
  hoursBetween,
  type MadeBatch,
  stageOfFace,
  standInBar,
} from '@kleur/core/evidence';
import { labOf, type Stage } from '@kleur/core/pigment';

/** A bar that is read in its turn. */
export interface Turn extends Expected {
  readonly name: string;
  readonly face: Face;
  readonly stage: Stage;
}

/** ± ΔE00 of a bar of which nothing was foretold. */
const UNFORETOLD = 12;

/** The simulated reader, and where it lies. */
export class StandIn {
  private surface: Surface = null;
  readonly device = new SimulatedColourReader({ seed: Date.now(), surface: () => this.surface });

  lieOn(surface: Surface): void {
    this.surface = surface;
  }

  plug(plugged: boolean): void {
    this.device.plugged = plugged;
  }
}

/** Pots in their order, each at the face asked for; test cups by their scrape. */
export function turnsOf(
  { plan, weighed }: MadeBatch,
  gelSeen: GelSeen | null,
  doubts: ReadonlyMap<string, number>,
  face: Face,
  madeOn: string | null,
  on: string,
): Turn[] {
  const flow = flowOf(plan, weighed);
  const planned = gelOf(plan).gel;
  const hours = madeOn === null ? 0 : hoursBetween(madeOn, on);
  return plan.pots
    .filter((p) => !p.id.includes('/'))
    .flatMap((pot): Turn[] => {
      const faces = facesOf(plan, pot.id);
      const own = faces.includes(face) ? face : pot.place === 'spare' ? 'scrape' : null;
      if (own === null) return [];
      const stage = stageOfFace(plan, gelSeen, planned, { face: own, hours });
      const lab = labOf(potComposition(plan, pot, undefined, flow), stage);
      return [{ id: pot.id, name: pot.name, face: own, stage, lab, doubt: doubts.get(pot.id) ?? UNFORETOLD }];
    });
}

/** Of the bar that really lies there. */
export function spectrumOf({ plan, weighed }: MadeBatch, turn: Turn): number[] {
  const pot = plan.pots.find((p) => p.id === turn.id)!;
  const composition = potComposition(plan, pot, undefined, flowOf(plan, weighed));
  return standInBar(composition, turn.stage, plan.materials);
}
