import { redirect } from '@sveltejs/kit';
import { orNotFound, orSentence } from '$lib/requests.server';
import { createBrief } from '$lib/server/briefs';
import { classesWithStandings, setFilePattern } from '$lib/server/classes';
import { database } from '$lib/server/db/database';
import { askForRecheck } from '$lib/server/jobs/boss';
import { cardsOf, chooseCard } from '$lib/server/limits/cards';
import { createClass } from '$lib/server/people/newClass';
import { LIVE } from '$lib/ui/follow.svelte';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const db = database();
  const cards = await cardsOf(db, locals.person!);
  return {
    classes: await classesWithStandings(db, locals.person!),
    cards: cards.map(({ id, name }) => ({ id, name })),
  };
};

export const actions: Actions = {
  create: async ({ request, locals }) => {
    const name = String((await request.formData()).get('name') ?? '');
    const created = await orSentence(createClass(database(), locals.person!, name));
    if (typeof created !== 'string') return created;
    redirect(303, `/class/${created}/people`);
  },
  brief: async ({ request, locals }) => {
    const classId = String((await request.formData()).get('class') ?? '');
    redirect(303, `/brief/${await orNotFound(createBrief(database(), locals.person!, classId))}`);
  },
  card: async ({ request, locals }) => {
    const data = await request.formData();
    const [classId, cardId] = [String(data.get('class')), String(data.get('card'))];
    await askForRecheck(await orNotFound(chooseCard(database(), locals.person!, classId, cardId)));
    return { saved: classId };
  },
  filePattern: async ({ request, locals }) => {
    const data = await request.formData();
    const classId = String(data.get('class'));
    const refused = await orSentence(
      setFilePattern(database(), locals.person!, classId, String(data.get('pattern') ?? '')),
    );
    return refused ?? { saved: classId };
  },
};
