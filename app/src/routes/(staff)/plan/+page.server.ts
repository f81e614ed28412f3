import { redirect } from '@sveltejs/kit';
import { database } from '$lib/server/platform/db/database';
import { orSentence } from '$lib/requests.server';
import { layBatch } from '$lib/server/printing/batches/laying';
import { pinBatch, unpinBatch } from '$lib/server/printing/plan/pins';
import { planningOf, setPlanning } from '$lib/server/printing/plan/planning';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ planning: await planningOf(database()) });

export const actions: Actions = {
  /** Puts a batch at a time on a printer. */
  pin: async ({ request, locals }) => {
    const form = await request.formData();
    return orSentence(
      pinBatch(database(), locals.person!, {
        printer: String(form.get('printer')),
        startAt: new Date(Number(form.get('at'))),
        entries: form.getAll('entry').map(String),
      }),
    );
  },
  unpin: async ({ request, locals }) => {
    const pin = String((await request.formData()).get('pin'));
    return orSentence(unpinBatch(database(), locals.person!, pin));
  },
  /** Lays a batch of the plan, which is then looked at and started as any other. */
  make: async ({ request, locals }) => {
    const form = await request.formData();
    const entries = form.getAll('entry').map(String);
    const plannedFor = form.get('printer')?.toString();
    const laid = await orSentence(layBatch(database(), locals.person!, entries, { plannedFor }));
    if (!('batchId' in laid)) return laid;
    redirect(303, `/batch/${laid.batchId}${laid.left > 0 ? `?left=${laid.left}` : ''}`);
  },
  planning: async ({ request, locals }) => {
    const form = await request.formData();
    return orSentence(
      setPlanning(database(), locals.person!, {
        weekdays: form.getAll('weekday').map(Number),
        until: String(form.get('until') ?? '') || null,
        freeDays: String(form.get('freeDays') ?? '')
          .split(/\s+/)
          .filter(Boolean),
        isAloneOnFreeDays: form.has('isAlone'),
      }),
    );
  },
};
