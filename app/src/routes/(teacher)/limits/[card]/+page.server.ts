import { fail, redirect } from '@sveltejs/kit';
import { orNotFound, orSentence, parsedJson } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { askForRecheck } from '$lib/server/handIns/boss';
import { cardToEdit, deleteCard, saveCard } from '$lib/server/limits/cards';
import { limitsTexts } from '$lib/texts/limits';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
  const { name, printerModel, card } = await orNotFound(cardToEdit(database(), locals.person!, params.card));
  return { draft: { name, printerModel, card } };
};

export const actions: Actions = {
  save: async ({ request, params, locals }) => {
    const draft = parsedJson((await request.formData()).get('draft'));
    if (draft === undefined) return fail(400, { message: limitsTexts.notWhole });
    const saved = await orSentence(saveCard(database(), locals.person!, params.card, draft));
    if (!('waiting' in saved)) return saved;
    await askForRecheck(saved);
    return { isSaved: true };
  },
  remove: async ({ params, locals }) => {
    const refused = await orSentence(deleteCard(database(), locals.person!, params.card));
    if (refused) return refused;
    redirect(303, '/limits');
  },
};
