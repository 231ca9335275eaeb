import { latestOnly, type LatestOnly } from '../../../data/latest.ts';
import {
  type Composition,
  CURED_HOURS,
  CUT_HOURS,
  type PredictedColour,
  type Stage,
} from '@kleur/core/pigment';

/** Predicts compositions at stages somewhere off the main thread. */
export type Predict = (
  compositions: readonly Composition[],
  stages: readonly Stage[],
) => Promise<PredictedColour[][]>;

export type NamedStage = 'now' | 'fresh' | 'cut' | 'cured' | 'otherGel' | 'skin';

export interface PotColours {
  readonly now: PredictedColour;
  readonly fresh: PredictedColour;
  readonly cut: PredictedColour;
  readonly cured: PredictedColour;
  /** Cured, if the batch does the other: see `otherGelOf`. */
  readonly otherGel: PredictedColour;
  /** The outside of the bar at the time strip. */
  readonly skin: PredictedColour;
}

export interface ColourSnapshot {
  readonly stage: Stage;
  /** By pot id; the bare base under `BARE`. Empty until the first answer. */
  readonly pots: ReadonlyMap<string, PotColours>;
}

export const BARE = ' bare';

/** The stage of the outside when the inside is at another. */
type Skin = (stage: Stage) => Stage;

interface Question {
  readonly compositions: ReadonlyMap<string, Composition>;
  readonly skin: Skin;
  readonly stage: Stage;
}

/** What a batch may do instead of what the time strip shows: gel where that is half at most, not gel otherwise. */
export const otherGelOf = ({ gel }: Pick<Stage, 'gel'>): 0 | 1 => (gel > 0.5 ? 0 : 1);

const stagesFor = (stage: Stage, skin: Skin): Stage[] => {
  const { gel } = stage;
  return [
    stage,
    { hours: 0, gel },
    { hours: CUT_HOURS, gel },
    { hours: CURED_HOURS, gel },
    { hours: CURED_HOURS, gel: otherGelOf(stage) },
    skin(stage),
  ];
};

/**
 * The colours of the open batch, kept up with its plan and the time strip. One question is under way at a time;
 * while it is, newer ones replace each other, so that dragging never queues up and an old answer never lands
 * over a newer plan.
 */
export class LiveColours {
  private compositions: ReadonlyMap<string, Composition> = new Map();
  private skin: Skin = (stage) => stage;
  private stage: Stage = { hours: CURED_HOURS, gel: 0 };
  private snapshot: ColourSnapshot = { stage: this.stage, pots: new Map() };
  private readonly listeners = new Set<() => void>();
  private readonly questions: LatestOnly<Question>;

  constructor(predict: Predict) {
    this.questions = latestOnly({
      put: ({ compositions, stage, skin }) => predict([...compositions.values()], stagesFor(stage, skin)),
      onAnswer: (answer, question) => {
        this.take(answer, question);
      },
      onError: (error) => {
        // The last colours stay; the next edit or move asks again.
        console.error('Colours could not be predicted', error);
      },
    });
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  getSnapshot = (): ColourSnapshot => this.snapshot;

  setCompositions(compositions: ReadonlyMap<string, Composition>, skin: Skin): void {
    this.compositions = compositions;
    this.skin = skin;
    this.refresh();
  }

  setStage(stage: Stage): void {
    this.stage = stage;
    this.refresh();
  }

  private refresh(): void {
    this.questions.ask({ compositions: this.compositions, stage: this.stage, skin: this.skin });
  }

  /** An answer about an older plan is dropped; one about an earlier time is shown, so that a drag moves. */
  private take(answer: PredictedColour[][], { compositions, stage }: Question): void {
    if (compositions !== this.compositions) return;
    const ids = [...compositions.keys()];
    const before = this.snapshot.stage;
    this.publish({
      // The same stage stays the same object: a change of the plan is none of the time.
      stage:
        before.hours === stage.hours && before.gel === stage.gel && before.light === stage.light
          ? before
          : stage,
      pots: new Map(
        answer.map(([now, fresh, cut, cured, otherGel, outside], i) => [
          ids[i]!,
          { now: now!, fresh: fresh!, cut: cut!, cured: cured!, otherGel: otherGel!, skin: outside! },
        ]),
      ),
    });
  }

  private publish(snapshot: ColourSnapshot): void {
    this.snapshot = snapshot;
    for (const listener of this.listeners) listener();
  }
}
