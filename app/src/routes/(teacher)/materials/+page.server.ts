import { materialNamed } from '@kelbrin/core/machine';
import { orSentence } from '$lib/requests.server';
import { askForRecheck } from '$lib/server/handIns/boss';
import { database } from '$lib/server/platform/db/database';
import { removeMaterial, saveMaterial } from '$lib/server/limits/changeMaterial';
import { materialsOf } from '$lib/server/printers/materials';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
  const name = url.searchParams.get('like');
  return {
    materials: await materialsOf(database(), locals.person!),
    /** What a new one is begun from. */
    begun: name === null ? undefined : { name, needs: materialNamed(name), pricePerKg: null, drying: '' },
  };
};

export const actions: Actions = {
  save: async ({ request, locals }) => {
    const { id, ...form } = Object.fromEntries(await request.formData());
    const saved = await orSentence(
      saveMaterial(database(), locals.person!, form, id === undefined ? undefined : String(id)),
    );
    if (!('again' in saved)) return saved;
    await askForRecheck(saved.again);
    return { saved: saved.id };
  },
  remove: async ({ request, locals }) => {
    const id = String((await request.formData()).get('id'));
    const removed = await orSentence(removeMaterial(database(), locals.person!, id));
    if (!('waiting' in removed)) return removed;
    await askForRecheck(removed);
    return undefined;
  },
};
