import { orSentence } from '$lib/requests.server';
import { database } from '$lib/server/db/database';
import { addPrinter, changePrinter, printersToKeep, retirePrinter } from '$lib/server/printers/printers';
import { LIVE } from '$lib/live/follow.svelte';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  return { printers: await printersToKeep(database(), locals.person!) };
};

export const actions: Actions = {
  add: async ({ request, locals }) =>
    orSentence(addPrinter(database(), locals.person!, Object.fromEntries(await request.formData()))),
  change: async ({ request, locals }) => {
    const { printer, ...draft } = Object.fromEntries(await request.formData());
    return orSentence(changePrinter(database(), locals.person!, String(printer), draft));
  },
  retire: async ({ request, locals }) => {
    const printer = String((await request.formData()).get('printer'));
    return orSentence(retirePrinter(database(), locals.person!, printer));
  },
};
