import { type Check, type CheckContext, checkPlan } from '@kleur/core/checks';
import { type Plan } from '@kleur/core/plan';

export interface ChecksQuestion extends CheckContext {
  readonly plan: Plan;
}

/** Quiet time after the last change before the checks run, in milliseconds: a drag does not wait for them. */
export const CHECKS_AFTER_MS = 60;

/** Name under which the browser's own timeline shows when the checks have followed. */
export const CHECKS_MARK = 'kleur checks';

/** The checks of the open batch. They follow a change within a moment, and a drag once it rests. */
export class LiveChecks {
  private question: ChecksQuestion;
  private checks: readonly Check[];
  private readonly listeners = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(first: ChecksQuestion) {
    this.question = first;
    this.checks = checkPlan(first.plan, first);
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  getSnapshot = (): readonly Check[] => this.checks;

  ask(question: ChecksQuestion): void {
    this.question = question;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.checks = checkPlan(this.question.plan, this.question);
      for (const listener of this.listeners) listener();
      performance.mark(CHECKS_MARK);
    }, CHECKS_AFTER_MS);
  }

  /** Nothing is told any more. */
  stop(): void {
    clearTimeout(this.timer);
  }
}
