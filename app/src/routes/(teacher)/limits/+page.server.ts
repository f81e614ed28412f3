import { redirect } from '@sveltejs/kit';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/db/database';
import { cardsOf, createCard } from '$lib/server/limits/cards';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  cards: await cardsOf(database(), locals.person!),
});

export const actions: Actions = {
  create: async ({ request, locals }) => {
    const like = String((await request.formData()).get('like') ?? '') || undefined;
    redirect(303, `/limits/${await orNotFound(createCard(database(), locals.person!, like))}`);
  },
};
