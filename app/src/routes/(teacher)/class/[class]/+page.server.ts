import { redirect } from '@sveltejs/kit';
import { orNotFound, orSentence } from '$lib/requests.server';
import { createBrief } from '$lib/server/briefs/briefs';
import { classWithStandings, setFilePattern } from '$lib/server/people/classes';
import { database } from '$lib/server/platform/db/database';
import { askForRecheck } from '$lib/server/handIns/boss';
import { cardsOf, chooseCard } from '$lib/server/limits/cards';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals, depends }) => {
  depends(LIVE);
  const db = database();
  const group = await orNotFound(classWithStandings(db, locals.person!, params.class));
  const cards = await cardsOf(db, locals.person!);
  return { group, cards: cards.map(({ id, name }) => ({ id, name })) };
};

export const actions: Actions = {
  brief: async ({ params, locals }) => {
    redirect(303, `/brief/${await orNotFound(createBrief(database(), locals.person!, params.class))}`);
  },
  card: async ({ request, params, locals }) => {
    const cardId = String((await request.formData()).get('card') ?? '');
    await askForRecheck(await orNotFound(chooseCard(database(), locals.person!, params.class, cardId)));
    return { isSaved: true };
  },
  filePattern: async ({ request, params, locals }) => {
    const pattern = String((await request.formData()).get('pattern') ?? '');
    const refused = await orSentence(setFilePattern(database(), locals.person!, params.class, pattern));
    return refused ?? { isSaved: true };
  },
};
