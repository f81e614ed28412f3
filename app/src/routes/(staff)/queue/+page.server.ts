import { redirect } from '@sveltejs/kit';
import { database } from '$lib/server/platform/db/database';
import { orSentence } from '$lib/requests.server';
import { spoolsOf } from '$lib/server/printers/spools';
import { addToBatch, layBatch } from '$lib/server/printing/batches/laying';
import { openBatches } from '$lib/server/printing/batches/batches';
import { proposeBatches } from '$lib/server/printing/batches/proposals';
import { startPart } from '$lib/server/printing/runs/startBatch';
import { printersWithRuns } from '$lib/server/printing/printRoom';
import { dropEntry, holdEntry, orderQueue, queue } from '$lib/server/printing/queue/queue';
import { inFairOrder } from '$lib/shared/proposal';
import { LIVE } from '$lib/live/follow.svelte';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const db = database();
  const [entries, printers, batches, proposals, spools] = await Promise.all([
    queue(db, locals.person!),
    printersWithRuns(db, locals.person!),
    openBatches(db, locals.person!),
    proposeBatches(db, locals.person!),
    spoolsOf(db, locals.person!),
  ]);
  return { entries: inFairOrder(entries), printers, batches, proposals, spools };
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
    const form = await request.formData();
    const isHeld = form.get('held') === 'yes';
    return orSentence(holdEntry(database(), locals.person!, String(form.get('entry')), isHeld));
  },
  order: async ({ request, locals }) => {
    const entries = (await request.formData()).getAll('entry').map(String);
    return orSentence(orderQueue(database(), locals.person!, entries));
  },
  drop: async ({ request, locals }) => {
    const form = await request.formData();
    const isDropped = form.get('dropped') === 'yes';
    return orSentence(dropEntry(database(), locals.person!, String(form.get('entry')), isDropped));
  },
  start: async ({ request, locals }) => {
    const form = await request.formData();
    const [entry, printer] = [String(form.get('entry')), String(form.get('printer'))];
    const refused = await orSentence(
      startPart(database(), locals.person!, entry, printer, form.getAll('check')),
    );
    if (refused) return refused;
    redirect(303, '/print-room');
  },
};
