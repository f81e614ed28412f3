import { redirect } from '@sveltejs/kit';
import { database } from '$lib/server/platform/db/database';
import { orSentence } from '$lib/requests.server';
import { spoolsOf } from '$lib/server/printers/spools';
import { addToBatch, layBatch } from '$lib/server/printing/batches/laying';
import { openBatches } from '$lib/server/printing/batches/batches';
import { startPart } from '$lib/server/printing/runs/startBatch';
import { printersNow } from '$lib/server/printing/printRoom';
import { dropEntries, holdEntries } from '$lib/server/printing/queue/queue';
import { orderByRules, putAt, type Place } from '$lib/server/printing/queue/order';
import { queueNews, queueRows } from '$lib/server/printing/queue/rows';
import { rowsIn, takesOf, viewIn } from '$lib/shared/queue/queueView';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';

/** So many rows come with the page, about what a screen shows at once; the others are fetched when it is there. */
const FIRST_ROWS = 10;

export const load: PageServerLoad = async ({ locals, depends, url }) => {
  depends(LIVE);
  const db = database();
  const [rows, printers, batches, spools] = await Promise.all([
    queueRows(db, locals.person!),
    printersNow(db, locals.person!),
    openBatches(db, locals.person!),
    spoolsOf(db, locals.person!),
  ]);
  // The view of the address that the page came with; a view that is changed in the page asks nobody.
  const shown = rowsIn(rows, viewIn(url.searchParams));
  const waiting = rows.filter(({ state }) => state !== 'out');
  return {
    first: shown.slice(0, FIRST_ROWS),
    waiting: { count: waiting.length, ...takesOf(waiting) },
    printers,
    batches: batches.map(({ id, number, estimate, parts }) => ({
      id,
      number,
      takes: estimate ?? {
        seconds: parts.reduce((sum, part) => sum + part.estimate.seconds, 0),
        grams: parts.reduce((sum, part) => sum + part.estimate.grams, 0),
      },
      parts: parts.map(({ entryId, handInId, student }) => ({ entryId, handInId, student })),
    })),
    spools,
  };
};

export const actions: Actions = {
  /** Lays the chosen parts on a new batch, or adds them to one that is laid. */
  lay: async ({ request, locals }) => {
    const form = await request.formData();
    const entries = form.getAll('entry').map(String);
    const batch = String(form.get('batch') ?? '');
    const plannedFor = form.get('printer')?.toString();
    const db = database();
    const person = locals.person!;
    const laid = await orSentence(
      batch === ''
        ? layBatch(db, person, entries, { plannedFor })
        : addToBatch(db, person, batch, entries).then((left) => ({ batchId: batch, left })),
    );
    if (!('batchId' in laid)) return laid;
    redirect(303, `/batch/${laid.batchId}${laid.left > 0 ? `?left=${laid.left}` : ''}`);
  },
  hold: async ({ request, locals }) => {
    const { entries, is } = await readForm(request, 'held');
    const count = await orSentence(holdEntries(database(), locals.person!, entries, is));
    return typeof count === 'number' ? { done: is ? 'held' : 'released', count, entries } : count;
  },
  drop: async ({ request, locals }) => {
    const { entries, is } = await readForm(request, 'dropped');
    const count = await orSentence(dropEntries(database(), locals.person!, entries, is));
    return typeof count === 'number' ? { done: is ? 'dropped' : 'putBack', count, entries } : count;
  },
  /** Puts the parts first, last, or before another; says what is new since the version that a page knows. */
  put: async ({ request, locals }) => {
    const form = await request.formData();
    const to = String(form.get('to') ?? 'last');
    const place: Place = to === 'first' || to === 'last' ? to : { before: to };
    const [db, person] = [database(), locals.person!];
    const refused = await orSentence(putAt(db, person, form.getAll('entry').map(String), place));
    const known = form.get('known')?.toString();
    return refused ?? (known === undefined ? undefined : { news: await queueNews(db, person, known) });
  },
  rules: async ({ locals }) => orSentence(orderByRules(database(), locals.person!)),
  start: async ({ request, locals }) => {
    const form = await request.formData();
    const [entry, printer] = [String(form.get('entry')), String(form.get('printer'))];
    const refused = await orSentence(
      startPart(database(), locals.person!, entry, printer, form.getAll('check'), form.getAll('place')),
    );
    if (refused) return refused;
    redirect(303, '/print-room');
  },
};

/** The parts that a form names, and whether its button says yes. */
async function readForm(request: Request, button: string): Promise<{ entries: string[]; is: boolean }> {
  const form = await request.formData();
  return { entries: form.getAll('entry').map(String), is: form.get(button) === 'yes' };
}
