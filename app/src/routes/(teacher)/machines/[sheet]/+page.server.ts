import { fail, redirect } from '@sveltejs/kit';
import { orNotFound, orSentence, parsedJson } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { batchAtHand } from '$lib/server/printing/batches/batchAtHand';
import { deleteSheet, saveSheet, sheetToEdit } from '$lib/server/printers/machineSheets';
import { machinesTexts } from '$lib/texts/machines';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
  const db = database();
  const { sheet } = await orNotFound(sheetToEdit(db, locals.person!, params.sheet));
  return { sheet, batch: await batchAtHand(db, locals.person!) };
};

export const actions: Actions = {
  save: async ({ request, params, locals }) => {
    const draft = parsedJson((await request.formData()).get('draft'));
    if (draft === undefined) return fail(400, { message: machinesTexts.notWhole });
    const refused = await orSentence(saveSheet(database(), locals.person!, params.sheet, draft));
    return refused ?? { isSaved: true };
  },
  remove: async ({ params, locals }) => {
    const refused = await orSentence(deleteSheet(database(), locals.person!, params.sheet));
    if (refused) return refused;
    redirect(303, '/machines');
  },
};
