import { said } from '@kelbrin/core/words';

/** Why a task came to no answer at all. */
export type FailureReason = 'time' | 'memory' | 'stopped';

const SENTENCES: Record<FailureReason, string> = said({
  time: 'It took too long, so it was given up.',
  memory: 'It needed too much memory, so it was given up.',
  stopped: 'The server is stopping.',
});

/** A task that was given up. The message is a sentence for people. */
export class TaskFailure extends Error {
  readonly reason: FailureReason;

  constructor(reason: FailureReason, options?: ErrorOptions) {
    super(SENTENCES[reason], options);
    this.name = 'TaskFailure';
    this.reason = reason;
  }

  /** Whether the same task would come to the same end. */
  get isSure(): boolean {
    return this.reason === 'time' || this.reason === 'memory';
  }
}
