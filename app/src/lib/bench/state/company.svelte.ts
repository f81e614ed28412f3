import type { Company, Pointer, Seat, Whereabouts } from '../../shared/company.ts';

/** A bench says that it is still there this often; the server forgets who is silent for twice as long. */
const BEAT_MS = 30_000;
/** Moves from step to step follow each other no closer than this. */
const PAUSE_MS = 300;

/** How the bench asks and tells; tests put others in its place. */
export interface CompanyHost {
  look(): Promise<Company>;
  tell(where: Whereabouts): Promise<unknown>;
  leave(): Promise<unknown>;
}

/** Who else is at the bench: where the others of the team work, and what the teacher points at. */
export class CompanyAtBench {
  seats = $state.raw<readonly Seat[]>([]);
  #pointer = $state.raw<Pointer>();
  #seen = $state<string>();
  #where: Whereabouts | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #beat: ReturnType<typeof setInterval> | undefined;
  readonly #host: CompanyHost;

  constructor(host: CompanyHost) {
    this.#host = host;
  }

  /** What the teacher points at, until it was seen here. */
  get pointer(): Pointer | undefined {
    return this.#pointer?.at === this.#seen ? undefined : this.#pointer;
  }

  /** The names of those who work at a step. */
  at(partId: string, stepId: string): string[] {
    return this.seats
      .filter((seat) => seat.partId === partId && seat.stepId === stepId)
      .map(({ name }) => name);
  }

  /** Where the teacher points, if that is a place on a part. */
  pins(partId: string): { at: readonly [number, number, number]; words: string }[] {
    const { pointer } = this;
    if (!pointer || !('at' in pointer.anchor) || pointer.partId !== partId) return [];
    return [{ at: pointer.anchor.at, words: pointer.teacher }];
  }

  /** Asks who is there; what cannot be asked just now is asked on the next news. */
  async look(): Promise<void> {
    const found = await this.#host.look().catch(() => undefined);
    if (!found) return;
    this.seats = found.seats;
    this.#pointer = found.pointer;
  }

  /** Says where one works here, and goes on saying so. */
  sit(where: Whereabouts): void {
    this.#where = where;
    this.#timer ??= setTimeout(() => {
      this.#timer = undefined;
      this.#tell();
    }, PAUSE_MS);
    this.#beat ??= setInterval(() => {
      this.#tell();
      // Who left without a word is gone after a while.
      void this.look();
    }, BEAT_MS);
  }

  /** Puts away what the teacher points at. */
  seen(): void {
    this.#seen = this.#pointer?.at;
  }

  close(): void {
    clearTimeout(this.#timer);
    clearInterval(this.#beat);
    if (this.#where) this.#host.leave().catch(() => {});
    this.#where = undefined;
  }

  #tell(): void {
    if (this.#where) this.#host.tell(this.#where).catch(() => {});
  }
}
