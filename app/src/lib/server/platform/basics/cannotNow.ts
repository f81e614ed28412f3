import { say, type Values } from '@kelbrin/core/words';

/**
 * What a person asked for that cannot be done now. It carries which refusal it is, as the message that is its key in the
 * catalogue, with the values of that; its own message is the sentence for the person.
 *
 * @example
 * throw new CannotNow('Batch {number} is printed: put the parts in a new batch.', { number: 12 });
 */
export class CannotNow extends Error {
  constructor(
    readonly code: string,
    readonly values?: Values,
    options?: ErrorOptions,
  ) {
    super(say(code, values), options);
    this.name = 'CannotNow';
  }
}
