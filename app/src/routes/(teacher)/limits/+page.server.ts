import { redirect } from '@sveltejs/kit';
import { orNotFound, orSentence } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { setCurrency } from '$lib/server/limits/currency';
import { cardsOf, createCard } from '$lib/server/limits/cards';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  cards: await cardsOf(database(), locals.person!),
});

export const actions: Actions = {
  currency: async ({ request, locals }) =>
    orSentence(
      setCurrency(database(), locals.person!, String((await request.formData()).get('currency') ?? '')),
    ),
  create: async ({ request, locals }) => {
    const like = String((await request.formData()).get('like') ?? '') || undefined;
    redirect(303, `/limits/${await orNotFound(createCard(database(), locals.person!, like))}`);
  },
};
