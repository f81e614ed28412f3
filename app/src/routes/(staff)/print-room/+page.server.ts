import { database } from '$lib/server/platform/db/database';
import { orSentence } from '$lib/requests.server';
import { beginChange, endChange, giveChangeUp, turnInChange } from '$lib/server/printing/filament/change';
import { noteCare } from '$lib/server/printers/care';
import { loadSpool, spoolsOf } from '$lib/server/printers/spools';
import { openBatches } from '$lib/server/printing/batches/batches';
import { sayBegun, sayDone, sayFailed } from '$lib/server/printing/runs/byHand';
import { cancelRun, notePlateClear, wishForRun } from '$lib/server/printing/runs/startBatch';
import { printersWithRuns } from '$lib/server/printing/printRoom';
import { countWaiting } from '$lib/server/printing/queue/queue';
import { schoolDayOf, setSchoolDay } from '$lib/server/printers/schoolDay';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const db = database();
  const [printers, waiting, day, spools, batches] = await Promise.all([
    printersWithRuns(db, locals.person!),
    countWaiting(db, locals.person!),
    schoolDayOf(db),
    spoolsOf(db, locals.person!),
    openBatches(db, locals.person!),
  ]);
  return {
    printers: printers.map((printer) => ({
      ...printer,
      planned: plannedFor(printer, batches),
    })),
    waiting,
    day,
    spools,
  };
};

/** What is to be printed on a printer after what it prints now. */
function plannedFor(
  { id, run }: Awaited<ReturnType<typeof printersWithRuns>>[number],
  batches: Awaited<ReturnType<typeof openBatches>>,
) {
  return batches
    .filter((batch) => batch.plannedFor === id && batch.id !== run?.batchId)
    .map(({ id, number, estimate, parts }) => ({
      id,
      number,
      seconds: estimate?.seconds ?? parts.reduce((sum, part) => sum + part.estimate.seconds, 0),
    }));
}

export const actions: Actions = {
  bells: async ({ request, locals }) => {
    const words = String((await request.formData()).get('day'));
    return orSentence(setSchoolDay(database(), locals.person!, words));
  },
  pause: async ({ request, locals }) => {
    const run = String((await request.formData()).get('run'));
    return orSentence(wishForRun(database(), locals.person!, run, 'pause'));
  },
  resume: async ({ request, locals }) => {
    const run = String((await request.formData()).get('run'));
    return orSentence(wishForRun(database(), locals.person!, run, 'resume'));
  },
  change: async ({ request, locals }) => {
    const form = await request.formData();
    const [printer, spool] = [String(form.get('printer')), String(form.get('spool'))];
    return orSentence(beginChange(database(), locals.person!, printer, spool, placeIn(form)));
  },
  turn: async ({ request, locals }) => {
    const form = await request.formData();
    const [printer, turn] = [String(form.get('printer')), String(form.get('turn'))];
    return orSentence(turnInChange(database(), locals.person!, printer, turn));
  },
  clean: async ({ request, locals }) => {
    const printer = String((await request.formData()).get('printer'));
    return orSentence(endChange(database(), locals.person!, printer));
  },
  giveChangeUp: async ({ request, locals }) => {
    const printer = String((await request.formData()).get('printer'));
    return orSentence(giveChangeUp(database(), locals.person!, printer));
  },
  begun: async ({ request, locals }) => {
    const run = String((await request.formData()).get('run'));
    return orSentence(sayBegun(database(), locals.person!, run));
  },
  done: async ({ request, locals }) => {
    const run = String((await request.formData()).get('run'));
    return orSentence(sayDone(database(), locals.person!, run));
  },
  failed: async ({ request, locals }) => {
    const form = await request.formData();
    return orSentence(sayFailed(database(), locals.person!, String(form.get('run')), form.get('why')));
  },
  loaded: async ({ request, locals }) => {
    const form = await request.formData();
    const [printer, spool] = [String(form.get('printer')), String(form.get('spool'))];
    return orSentence(loadSpool(database(), locals.person!, spool, printer, placeIn(form)));
  },
  care: async ({ request, locals }) => {
    const { printer, ...draft } = Object.fromEntries(await request.formData());
    return orSentence(noteCare(database(), locals.person!, String(printer), draft));
  },
  clear: async ({ request, locals }) => {
    const printer = String((await request.formData()).get('printer'));
    return orSentence(notePlateClear(database(), locals.person!, printer));
  },
  cancel: async ({ request, locals }) => {
    const run = String((await request.formData()).get('run'));
    const refused = await orSentence(cancelRun(database(), locals.person!, run));
    return refused ?? { cancelled: run };
  },
};

/** The place on the printer that a form names; the first where it names none. */
function placeIn(form: FormData): number {
  return Number(form.get('place') ?? 0);
}
