import { expect, it } from 'vitest';
import { classroomLimits } from '@kelbrin/core/inspect';
import { emptyRecipe, type Recipe } from '@kelbrin/core/recipe';
import type { FromWorker, ToWorker } from './messages';
import { SolidClient, type WorkerLike } from './solidClient';

function bench() {
  const asked: ToWorker[] = [];
  const heard: FromWorker[] = [];
  const about: string[] = [];
  const worker: WorkerLike = {
    onmessage: null,
    postMessage: (message) => asked.push(message),
    terminate: () => {},
  };
  const client = new SolidClient(
    worker,
    { filesAt: '/file/1', limits: classroomLimits, brief: {} },
    (message, { partId }) => {
      heard.push(message);
      about.push(`${message.kind} ${partId}`);
    },
  );
  const answer = (message: FromWorker) => worker.onmessage!({ data: message } as MessageEvent<FromWorker>);
  const problem = (job: number): FromWorker => ({ kind: 'problem', job, problem: { message: `job ${job}` } });
  return { asked, heard, about, client, answer, problem };
}

const recipe = (id: string): Recipe => ({ ...emptyRecipe(), steps: [{ id } as Recipe['steps'][number]] });
const idsOf = (asked: ToWorker[]) =>
  asked.map((message) => (message.kind === 'evaluate' ? message.recipe.steps[0].id : ''));

it('skips to the latest edit when several come while one is evaluated', () => {
  const { asked, client, answer, problem } = bench();
  for (const id of ['a', 'b', 'c', 'd']) client.show({ partId: 'p1', recipe: recipe(id) });
  expect(idsOf(asked)).toEqual(['a']);
  answer(problem(1));
  expect(idsOf(asked)).toEqual(['a', 'd']);
  expect(client.isBehind).toBe(false);
  client.show({ partId: 'p1', recipe: recipe('d') });
  expect(client.isBehind).toBe(true);
  answer(problem(2));
  answer(problem(3));
  expect(client.isBehind).toBe(false);
  expect(asked).toHaveLength(3);
});

it('keeps one more edit of a drag ready in the worker, and each answer is of what was asked', () => {
  const { asked, about, heard, client, answer, problem } = bench();
  const drag = (id: string) => client.show({ partId: id, recipe: recipe(id), isDragged: true });
  const one = (id: string) => client.show({ partId: 'p1', recipe: recipe(id), isDragged: true });
  for (const id of ['a', 'b']) one(id);
  expect(idsOf(asked)).toEqual(['a', 'b']);
  expect(client.isBehind).toBe(true);
  for (const id of ['c', 'd']) one(id);
  expect(idsOf(asked)).toEqual(['a', 'b']);
  answer(problem(1));
  expect(idsOf(asked)).toEqual(['a', 'b', 'd']);
  answer(problem(2));
  expect(client.isBehind).toBe(false);
  answer(problem(3));
  expect(heard.map(({ job }) => job)).toEqual([1, 2, 3]);
  // An edit that is no drag waits for what runs.
  one('e');
  client.show({ partId: 'p1', recipe: recipe('f') });
  expect(idsOf(asked)).toEqual(['a', 'b', 'd', 'e']);
  answer(problem(4));
  expect(idsOf(asked)).toEqual(['a', 'b', 'd', 'e', 'f']);
  // What is answered of a part is dropped where another one was asked for.
  answer(problem(5));
  drag('p2');
  one('g');
  about.length = 0;
  answer(problem(6));
  answer(problem(7));
  expect(about).toEqual(['problem p1']);
});

it('never shows an answer that is older than the one shown', () => {
  const { heard, client, answer, problem } = bench();
  client.show({ partId: 'p1', recipe: recipe('a') });
  answer(problem(1));
  client.show({ partId: 'p1', recipe: recipe('b') });
  answer(problem(2));
  answer(problem(1));
  expect(heard.map(({ job }) => job)).toEqual([1, 2]);
});

it('drops an estimate and a late inspection of a solid that is not shown any more', () => {
  const { heard, client, answer, problem } = bench();
  const estimate = (job: number): FromWorker => ({
    kind: 'estimate',
    job,
    estimate: { seconds: 1, filamentMm: 1, grams: 1, colourGrams: [1], layers: 1 },
  });
  const inspected = (job: number): FromWorker => ({
    kind: 'inspected',
    job,
    inspection: {} as never,
    steps: [],
  });
  client.show({ partId: 'p1', recipe: recipe('a') });
  answer(problem(1));
  client.show({ partId: 'p1', recipe: recipe('b') });
  answer(problem(2));
  for (const job of [1, 2]) [estimate(job), inspected(job)].forEach(answer);
  expect(heard.map(({ kind, job }) => `${kind} ${job}`)).toEqual([
    'problem 1',
    'problem 2',
    'estimate 2',
    'inspected 2',
  ]);
});

it('tells what an answer is about, and drops what is about a part that was left', () => {
  const { about, client, answer, problem } = bench();
  client.show({ partId: 'p1', recipe: recipe('a') });
  client.show({ partId: 'p2', recipe: recipe('b') });
  answer(problem(1));
  expect(about).toEqual([]);
  answer(problem(2));
  expect(about).toEqual(['problem p2']);
});

it('gives what was read of a drawing to whoever asked last', () => {
  const { asked, client, answer } = bench();
  const read: string[] = [];
  const drawn = (job: number): FromWorker => ({
    kind: 'drawn',
    job,
    read: { ok: false, reason: `drawing ${job}` },
  });
  for (const name of ['a', 'b'])
    client.readDrawing('<svg/>', (found) => read.push(`${name}: ${found.ok ? '' : found.reason}`));
  [drawn(1), drawn(2)].forEach(answer);
  expect(asked.map(({ kind }) => kind)).toEqual(['drawing', 'drawing']);
  expect(read).toEqual(['b: drawing 2']);
});
