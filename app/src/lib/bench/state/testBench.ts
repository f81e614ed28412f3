import { beforeEach } from 'vitest';
import { designOf, type Design } from '@kelbrin/core/design';
import { classroomLimits } from '@kelbrin/core/inspect';
import type { Recipe } from '@kelbrin/core/recipe';
import { label } from '../../../../../core/test/recipes';
import { BenchState } from './bench.svelte';
import type { FromWorker, ToWorker } from '../worker/messages';
import type { WorkerLike } from '../worker/solidClient';

/** A bench with a label on it and a worker that answers what a test says. */
export class TestBench {
  /** What the worker was asked, and which designs were saved. */
  asked: ToWorker[] = [];
  saved: Design[] = [];
  bench!: BenchState;
  #worker!: WorkerLike;

  /** Sets one up before each test of the file that calls this. */
  static forTests(): TestBench {
    const on = new TestBench();
    beforeEach(() => {
      on.asked = [];
      on.saved = [];
      on.#worker = { onmessage: null, postMessage: (message) => on.asked.push(message), terminate: () => {} };
      on.bench = new BenchState(
        designOf(label(), 'Label'),
        { limits: classroomLimits, brief: {}, filesAt: '/file/1' },
        on.#worker,
        (design) => on.saved.push(design),
      );
    });
    return on;
  }

  /** Has the worker say something. */
  answer = (message: FromWorker) => this.#worker.onmessage!({ data: message } as MessageEvent<FromWorker>);

  evaluations = () => this.asked.filter(({ kind }) => kind === 'evaluate');
}

export const widthOf = ({ steps: [plate] }: Recipe) =>
  plate.kind === 'extrude' && plate.outline.shape === 'roundedRectangle' ? plate.outline.widthMm : undefined;

/** A solid that nothing is known of. */
export const solid = { mesh: { positions: new Float32Array(0), triangles: new Uint32Array(0) } } as never;
