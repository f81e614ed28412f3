/** What a person asked for that cannot be done now, in a sentence for them. */
export class CannotNow extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'CannotNow';
  }
}
