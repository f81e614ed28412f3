import { redirect } from '@sveltejs/kit';
import { orNotFound, orSentence, parsedJson } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { sheetsByPrinter } from '$lib/server/printers/machineSheets';
import { spoolsOf } from '$lib/server/printers/spools';
import { correctionsOf, handOut, noteOutcomes } from '$lib/server/printing/runs/outcomes';
import { takeSupportsOff } from '$lib/server/printing/runs/supportsOff';
import { arrangeBatch } from '$lib/server/printing/batches/laying';
import { discardBatch, takeOffBatch } from '$lib/server/printing/batches/changeBatch';
import { planBatch } from '$lib/server/printing/batches/planning';
import { batchToSee } from '$lib/server/printing/batches/batches';
import { startBatch } from '$lib/server/printing/runs/startBatch';
import { printersNow } from '$lib/server/printing/printRoom';
import { repeatPrint } from '$lib/server/printing/queue/queue';
import { schoolDayOf } from '$lib/server/printers/schoolDay';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals, depends }) => {
  depends(LIVE);
  const db = database();
  const person = locals.person!;
  const { batch, parts, tries, spool } = await orNotFound(batchToSee(db, person, params.batch));
  const [printers, day, spools, sheets, corrections] = await Promise.all([
    printersNow(db, person),
    schoolDayOf(db),
    spoolsOf(db, person),
    sheetsByPrinter(db, person),
    correctionsOf(db, batch.id),
  ]);
  return { batch, parts, tries, spool, printers, day, spools, sheets, corrections };
};

export const actions: Actions = {
  arrange: async ({ params, locals }) => {
    const left = await orSentence(arrangeBatch(database(), locals.person!, params.batch));
    return typeof left === 'number' ? { left } : left;
  },
  off: async ({ params, locals, request }) => {
    const entry = String((await request.formData()).get('entry'));
    const isOver = await orSentence(takeOffBatch(database(), locals.person!, params.batch, entry));
    if (typeof isOver !== 'boolean') return isOver;
    if (isOver) redirect(303, '/queue');
  },
  discard: async ({ params, locals }) => {
    const refused = await orSentence(discardBatch(database(), locals.person!, params.batch));
    if (refused) return refused;
    redirect(303, '/queue');
  },
  plan: async ({ params, locals, request }) => {
    const printer = (await request.formData()).get('printer')?.toString() || undefined;
    return orSentence(planBatch(database(), locals.person!, params.batch, printer));
  },
  start: async ({ params, locals, request }) => {
    const form = await request.formData();
    const printer = String(form.get('printer'));
    const refused = await orSentence(
      startBatch(
        database(),
        locals.person!,
        params.batch,
        printer,
        form.getAll('check'),
        form.getAll('place'),
      ),
    );
    if (refused) return refused;
    redirect(303, '/print-room');
  },
  repeat: async ({ locals, request }) => {
    const entry = String((await request.formData()).get('entry'));
    return orSentence(repeatPrint(database(), locals.person!, entry));
  },
  outcomes: async ({ params, locals, request }) => {
    const form = await request.formData();
    const photos = new Map<string, Uint8Array>();
    for (const [name, file] of form)
      if (name.startsWith('photo-') && file instanceof File && file.size > 0)
        photos.set(name.slice('photo-'.length), new Uint8Array(await file.arrayBuffer()));
    const drafts = parsedJson(form.get('outcomes'));
    return orSentence(noteOutcomes(database(), locals.person!, params.batch, drafts, photos));
  },
  supportsOff: async ({ params, locals, request }) => {
    const entry = String((await request.formData()).get('entry'));
    return orSentence(takeSupportsOff(database(), locals.person!, params.batch, entry));
  },
  handOut: async ({ params, locals, request }) => {
    const entry = (await request.formData()).get('entry')?.toString() || undefined;
    return orSentence(handOut(database(), locals.person!, params.batch, entry));
  },
};
