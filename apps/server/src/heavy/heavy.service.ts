import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { type PotPrediction } from '@kleur/contract';
import { type ProposedBar } from '@kleur/core/evidence';
import { type FitProblem, type FitResult } from '@kleur/core/fit';
import { type MatchProblem, type MatchResult } from '@kleur/core/match';
import { type Pool, pool } from 'workerpool';
import { tooMany } from '../problems/problem.ts';
import {
  fit,
  match,
  predict,
  type Prediction,
  propose,
  type Proposing,
  refit,
  type Refitting,
} from './tasks.ts';

export const WORKER_FILE = Symbol('file of the worker thread');

/** Most tasks that wait while one runs. */
export const MOST_WAITING = 8;
/** What to tell whoever comes when the queue is full, s. */
const RETRY_AFTER_S = 2;
/** Predictions below this number take less time here than the way to the thread. */
const FEW = 24;

/** Of the thread, MB: a match needs a few, a fit of a hundred colourants its matrix twice. */
const MEMORY = { maxOldGenerationSizeMb: 256, maxYoungGenerationSizeMb: 8 } as const;

/** Whether predictions take long enough for the thread. */
export const isMany = ({ pots, stages }: Record<'pots' | 'stages', readonly unknown[]>): boolean =>
  pots.length * stages.length >= FEW;

/**
 * Runs heavy work in one thread of its own, one task after another, so that a match holds up neither a save nor the
 * question whether the server is well. The thread starts with the first task.
 */
@Injectable()
export class HeavyService implements OnApplicationShutdown {
  private readonly pool: Pool | null;
  private underWay = 0;

  /** @param file of the worker; null runs the work in this thread. */
  constructor(@Inject(WORKER_FILE) file: string | null) {
    this.pool =
      file === null
        ? null
        : pool(file, {
            workerType: 'thread',
            minWorkers: 0,
            maxWorkers: 1,
            workerThreadOpts: { resourceLimits: MEMORY },
          });
  }

  /**
   * Lets heavy work in, with all that has to be looked up for it, while there is room.
   * @throws ProblemError `too-many-requests` when the queue is full.
   */
  async admit<T>(work: () => Promise<T>): Promise<T> {
    if (this.underWay > MOST_WAITING)
      throw tooMany('Too much is being worked out at once. Wait a moment and ask again.', RETRY_AFTER_S);
    this.underWay += 1;
    try {
      return await work();
    } finally {
      this.underWay -= 1;
    }
  }

  /** To be called inside `admit`. */
  match(problem: MatchProblem): Promise<MatchResult> {
    return this.run('match', match, problem);
  }

  /** To be called inside `admit`. */
  fit(problem: FitProblem): Promise<FitResult> {
    return this.run('fit', fit, problem);
  }

  /** To be called inside `admit`. */
  refit(refitting: Refitting): Promise<FitResult> {
    return this.run('refit', refit, refitting);
  }

  /** To be called inside `admit`. */
  propose(proposing: Proposing): Promise<ProposedBar[]> {
    return this.run('propose', propose, proposing);
  }

  /** Few predictions are made at once; many go to the thread, and are to be admitted. */
  predict(prediction: Prediction): Promise<PotPrediction[]> {
    return isMany(prediction)
      ? this.run('predict', predict, prediction)
      : Promise.resolve(predict(prediction));
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool?.terminate(true);
  }

  private async run<A, R>(name: string, task: (a: A) => R, argument: A): Promise<R> {
    if (this.pool === null) return task(argument);
    return (await this.pool.exec(name, [argument])) as R;
  }
}
