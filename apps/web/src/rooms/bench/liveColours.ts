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

export type NamedStage = 'now' | 'fresh' | 'cut' | 'cured';

export interface PotColours {
  readonly now: PredictedColour;
  readonly fresh: PredictedColour;
  readonly cut: PredictedColour;
  readonly cured: PredictedColour;
}

export interface ColourSnapshot {
  readonly stage: Stage;
  /** By pot id; the bare base under `BARE`. Empty until the first answer. */
  readonly pots: ReadonlyMap<string, PotColours>;
}

export const BARE = ' bare';

/**
 * The colours of the open batch, kept up with its plan and the time strip. One question is under way at a time;
 * while it is, newer ones replace each other, so that dragging never queues up and an old answer never lands
 * over a newer plan.
 */
export class LiveColours {
  private compositions: ReadonlyMap<string, Composition> = new Map();
  private stage: Stage = { hours: CURED_HOURS, gel: 0 };
  private snapshot: ColourSnapshot = { stage: this.stage, pots: new Map() };
  private readonly listeners = new Set<() => void>();
  private busy = false;
  /** Counts the questions put, so that one asked meanwhile is noticed. */
  private wanted = 0;

  constructor(private readonly predict: Predict) {}

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  getSnapshot = (): ColourSnapshot => this.snapshot;

  setCompositions(compositions: ReadonlyMap<string, Composition>): void {
    this.compositions = compositions;
    void this.refresh();
  }

  setStage(stage: Stage): void {
    this.stage = stage;
    void this.refresh();
  }

  private async refresh(): Promise<void> {
    this.wanted += 1;
    if (this.busy) return;
    this.busy = true;
    try {
      // While dragging there is always a newer question: each answer is shown all the same.
      for (let asked = 0; asked !== this.wanted;) {
        asked = this.wanted;
        await this.ask();
      }
    } catch (error) {
      // The last colours stay; the next edit or move asks again.
      console.error('Colours could not be predicted', error);
    } finally {
      this.busy = false;
    }
  }

  private async ask(): Promise<void> {
    const { compositions, stage } = this;
    const { gel } = stage;
    const stages = [stage, { hours: 0, gel }, { hours: CUT_HOURS, gel }, { hours: CURED_HOURS, gel }];
    const answer = await this.predict([...compositions.values()], stages);
    if (compositions !== this.compositions) return;
    const ids = [...compositions.keys()];
    this.publish({
      stage,
      pots: new Map(
        answer.map(([now, fresh, cut, cured], i) => [
          ids[i]!,
          { now: now!, fresh: fresh!, cut: cut!, cured: cured! },
        ]),
      ),
    });
  }

  private publish(snapshot: ColourSnapshot): void {
    this.snapshot = snapshot;
    for (const listener of this.listeners) listener();
  }
}
