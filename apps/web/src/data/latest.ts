/** Puts questions one at a time. While one is under way newer ones replace each other: only the latest is put next. */
export interface LatestOnly<Q> {
  ask(question: Q): void;
  /** Drops a question that waits. One under way is answered all the same. */
  cancel(): void;
}

export interface LatestOptions<Q, A> {
  readonly put: (question: Q) => Promise<A>;
  readonly onAnswer: (answer: A, question: Q) => void;
  /** Told when a run of questions begins, and when all are answered. */
  readonly onBusy?: (busy: boolean) => void;
  /** The last answer stays; the next question is put as usual. */
  readonly onError?: (error: unknown) => void;
}

/** Every answer is told, also while a newer question waits, so that something moves while the maker drags. */
export function latestOnly<Q, A>({ put, onAnswer, onBusy, onError }: LatestOptions<Q, A>): LatestOnly<Q> {
  let waiting: { readonly question: Q } | null = null;
  let busy = false;

  async function run(): Promise<void> {
    busy = true;
    onBusy?.(true);
    for (let next = waiting; next; next = waiting) {
      waiting = null;
      try {
        onAnswer(await put(next.question), next.question);
      } catch (error) {
        onError?.(error);
      }
    }
    busy = false;
    onBusy?.(false);
  }

  return {
    ask(question) {
      waiting = { question };
      if (!busy) void run();
    },
    cancel() {
      waiting = null;
    },
  };
}
