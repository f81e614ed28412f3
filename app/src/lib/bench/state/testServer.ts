import { afterEach, beforeEach, vi } from 'vitest';
import { designOf, recipeOf, type Design } from '@kelbrin/core/design';
import { addStep, type Step } from '@kelbrin/core/recipe';
import { label } from '../../../../../core/test/recipes';
import { Autosave } from './autosave.svelte';
import type { SaveHost, TakenIn } from './saving';

/** A label with these words. */
export const design = (words: string) => designOf(label(words));

/** A server that keeps one project, and a connection to it that can be cut. */
export class Server implements SaveHost {
  revision = 1;
  design: Design = design('base');
  /** The keys of the last saves, the newest first. */
  keys: string[] = [];
  /** What was shown since somebody else's work came in. */
  readonly taken: TakenIn[] = [];
  cut = false;
  /** Cuts the connection after the save has arrived, so that only the answer is lost. */
  answerLost = false;
  readonly saves: string[] = [];
  readonly kept = new Map<string, string>();
  readonly storage = ((kept) => ({
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
    key: (i: number) => [...kept.keys()][i] ?? null,
    get length() {
      return kept.size;
    },
  }))(this.kept);
  /** What it answers instead of saving, if anything. */
  answer: Response | undefined;

  takeIn(taken: TakenIn): void {
    this.taken.push(taken);
  }

  /** Somebody else saves. */
  another(design: Design): void {
    this.design = design;
    this.revision++;
    this.keys.unshift('another');
  }

  async put({
    baseRevision,
    key,
    design,
  }: {
    baseRevision: number;
    key: string;
    design: Design;
  }): Promise<Response> {
    if (this.cut) throw new TypeError('no connection');
    if (this.answer) return this.answer.clone();
    if (baseRevision !== this.revision) {
      return Response.json(
        { revision: this.revision, design: this.design, saves: this.keys },
        { status: 409 },
      );
    }
    this.design = design;
    this.revision++;
    this.saves.push(wordsOf(design));
    this.keys.unshift(key);
    if (this.answerLost) throw new TypeError('no connection');
    return Response.json({ revision: this.revision });
  }
}

/** A label of these words that is so deep. */
export const deep = (words: string, mm: number) => {
  const [block, ...rest] = recipeOf(design(words)).steps;
  const deeper = { ...block, depth: { type: 'by', mm } } as Step;
  return designOf({ ...recipeOf(design(words)), steps: [deeper, ...rest] });
};
export const depthOf = (of: Design) => {
  const [block] = recipeOf(of).steps;
  return block.kind === 'extrude' && block.depth.type === 'by' ? block.depth.mm : undefined;
};
/** A design with one more hole. */
export const added = (of: Design) => designOf(addStep(recipeOf(of), 'hole', 's1'));

export const wordsOf = (of: Design) =>
  recipeOf(of)
    .steps.flatMap((step) => (step.kind === 'letters' ? step.lettering.words : []))
    .join();

/** A server and a tab that saves to it, new for each test of the file that calls this; time stands still until it is waited. */
export class TestTab {
  server!: Server;
  autosave!: Autosave;

  static forTests(): TestTab {
    const on = new TestTab();
    beforeEach(() => {
      vi.useFakeTimers();
      on.server = new Server();
      on.autosave = on.opened();
    });
    afterEach(() => {
      on.autosave.close();
      vi.useRealTimers();
    });
    return on;
  }

  /** A tab that is opened now. */
  opened(): Autosave {
    const { revision, design: kept } = this.server;
    return new Autosave('p1', { revision, design: kept }, this.server);
  }
}

export const wait = (ms: number) => vi.advanceTimersByTimeAsync(ms);
