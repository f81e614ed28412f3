import { setTimeout as pause } from 'node:timers/promises';
import { labelRecipe } from '../../app/src/lib/server/demo/labels.ts';
import type { Stack } from '../../ops/stack.ts';
import { designOf } from '../../core/src/design/index.ts';
import { setUpClass, type Classroom } from './classroom.ts';
import { quantile } from './measure.ts';
import { onDemo } from './onDemo.ts';

/*
 * A lesson: thirty students with real sessions edit and save every two seconds while their teacher's lesson view is
 * open. Says how long saves take, how far the view lags behind, whether an edit was lost, and how the web app's memory
 * grows. --minutes N says how long (10).
 */

const STUDENTS = 30;
const EDIT_EVERY_MS = 2_000;
/** The view loads its data anew at most this often; see `follow` in the app. */
const VIEW_PAUSE_MS = 250;

const at = process.argv.indexOf('--minutes');
const minutes = at < 0 ? 10 : Number(process.argv[at + 1]);

interface LessonData {
  readonly learners: readonly {
    readonly project?: {
      readonly id: string;
      readonly revision: number;
      readonly report: { steps: number } | null;
    };
  }[];
}

await onDemo('lesson', async (stack) => teach(stack, await setUpClass(stack.origin, STUDENTS)));

async function teach(stack: Stack, { teacher, classId, briefId, students }: Classroom): Promise<void> {
  const savesMs: number[] = [];
  const lagsMs: number[] = [];
  const memoryMb: number[] = [];
  /** For each project the edits that the view has not shown yet: the number of the edit, and when it was made. */
  const unseen = new Map(students.map(({ projectId }) => [projectId, [] as [number, number][]]));
  const stopped = new AbortController();
  const until = performance.now() + minutes * 60_000;

  let isLoading = false;
  let isStale = false;
  const look = async (): Promise<void> => {
    if (isLoading) {
      isStale = true;
      return;
    }
    isLoading = true;
    do {
      isStale = false;
      await pause(VIEW_PAUSE_MS);
      const { learners } = await teacher.load<LessonData>(`/lesson/${briefId}`);
      const now = performance.now();
      for (const { project } of learners) {
        const waiting = project && unseen.get(project.id);
        while (waiting?.length && waiting[0][0] <= (project!.report?.steps ?? 0)) {
          lagsMs.push(now - waiting.shift()![1]);
        }
      }
    } while (isStale);
    isLoading = false;
  };
  await teacher.follow(`class:${classId}`, stopped.signal, () => void look());

  const edits = students.map(async ({ visitor, projectId }, i) => {
    // They do not all press at once.
    await pause((i * EDIT_EVERY_MS) / STUDENTS);
    let revision = 0;
    let edit = 0;
    for (let next = performance.now(); next < until; next += EDIT_EVERY_MS) {
      await pause(Math.max(0, next - performance.now()));
      edit++;
      const design = designOf(labelRecipe({ words: `Plant ${edit}`, widthMm: 60 + (edit % 30) }), 'Label');
      const begun = performance.now();
      unseen.get(projectId)!.push([edit, begun]);
      const saved = await visitor.put(`/bench/${projectId}/design`, { baseRevision: revision, design });
      savesMs.push(performance.now() - begun);
      if (!saved.ok) throw new Error(`A save was answered with ${saved.status}.`);
      ({ revision } = (await saved.json()) as { revision: number });
      const report = { steps: edit, verdict: 'pass', failing: [], promptsDone: 0, nextPrompt: null };
      await visitor.put(`/bench/${projectId}/pulse`, report);
    }
    return { projectId, edit, revision };
  });
  const watching = setInterval(() => memoryMb.push(stack.memoryMb('web')), 5_000);
  const ends = await Promise.all(edits);
  clearInterval(watching);
  await pause(2_000);
  const { learners } = await teacher.load<LessonData>(`/lesson/${briefId}`);
  stopped.abort();

  const lost = ends.filter(({ projectId, edit, revision }) => {
    const kept = learners.find(({ project }) => project?.id === projectId)!.project!;
    return revision !== edit || kept.revision !== edit || kept.report?.steps !== edit;
  });
  // The first minute warms the app up; after it, memory should stay where it is.
  const warm = memoryMb.slice(Math.min(12, Math.floor(memoryMb.length / 4)));
  const half = Math.floor(warm.length / 2);
  const ms = (value: number) => `${value.toFixed(0)} ms`;
  const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;
  console.table({
    [`a save, of ${savesMs.length}`]: {
      median: ms(quantile(savesMs, 0.5)),
      p95: ms(quantile(savesMs, 0.95)),
    },
    'the lesson view behind an edit': { median: ms(quantile(lagsMs, 0.5)), p95: ms(quantile(lagsMs, 0.95)) },
  });
  console.log(`${STUDENTS} students, ${minutes} min: ${lost.length} with a lost edit;`);
  console.log(
    `memory of the web app ${mean(warm.slice(0, half)).toFixed(0)} MB in the first half, ${mean(warm.slice(half)).toFixed(0)} MB in the second;`,
  );
  const everyMinute = memoryMb.filter((_, i) => i % 12 === 11).map((mb) => mb.toFixed(0));
  console.log(`after each minute ${everyMinute.join(', ')} MB.`);
}
