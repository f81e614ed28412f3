import { plainSentence, shortSentenceOf, type Recipe } from '@kelbrin/core/recipe';
import { locale } from '@kelbrin/core/words';
import { spoken } from '../../texts/spoken';
import type { Voice } from './voice';

/** What is read, and where it is shown which sentence is being read. */
interface Read {
  readonly recipe: Recipe;
  marked: string | undefined;
}

/** Reads a recipe aloud, sentence by sentence, each marked on the solid while it is read. */
export class ReadAloud {
  isReading = $state(false);
  /** Whether the browser has no voice that speaks. */
  isMute = $state(false);
  readonly #bench: Read;
  readonly #voice: Voice;
  /** Counts readings, so that one that was stopped does not go on in the next. */
  #reading = 0;

  constructor(bench: Read, voice: Voice) {
    this.#bench = bench;
    this.#voice = voice;
  }

  /** Reads from the marked step on, or from the first; a change of the recipe is heard from the next sentence on. */
  async start(): Promise<void> {
    const reading = ++this.#reading;
    this.isReading = true;
    this.isMute = false;
    const { recipe, marked } = this.#bench;
    let index = Math.max(
      0,
      recipe.steps.findIndex(({ id }) => id === marked),
    );
    for (; index < this.#bench.recipe.steps.length; index++) {
      const step = this.#bench.recipe.steps[index];
      if (step.off) continue;
      this.#bench.marked = step.id;
      const words = plainSentence(shortSentenceOf(step, { recipe: this.#bench.recipe, index }));
      const isSaid = await this.#voice.say(spoken(`${step.name ? `${step.name}: ` : ''}${words}`), locale());
      if (reading !== this.#reading) return;
      if (!isSaid) {
        this.isMute = true;
        break;
      }
    }
    this.isReading = false;
  }

  stop(): void {
    this.#reading++;
    this.isReading = false;
    this.#voice.stop();
  }
}
