import { redirect } from '@sveltejs/kit';
import { orNotFound } from '$lib/requests.server';
import { dropKeptBrief, keptBriefsOf, setKeptBrief } from '$lib/server/briefs/briefLibrary';
import { classesOf } from '$lib/server/people/classes';
import { database } from '$lib/server/platform/db/database';
import { wordsOf } from '$lib/shared/taskText';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
  const db = database();
  const kept = await keptBriefsOf(db, locals.person!);
  return {
    kept: kept.map(({ id, title, task, rules, guidance, keptAt }) => ({
      id,
      title,
      words: wordsOf(task),
      requirements: rules.requirements?.length ?? 0,
      prompts: guidance.length,
      keptAt,
    })),
    classes: await classesOf(db, locals.person!),
  };
};

export const actions: Actions = {
  set: async ({ request, locals }) => {
    const form = await request.formData();
    const [kept, group] = [String(form.get('kept')), String(form.get('class'))];
    redirect(303, `/brief/${await orNotFound(setKeptBrief(database(), locals.person!, kept, group))}`);
  },
  drop: async ({ request, locals }) => {
    const kept = String((await request.formData()).get('kept'));
    await orNotFound(dropKeptBrief(database(), locals.person!, kept));
  },
};
