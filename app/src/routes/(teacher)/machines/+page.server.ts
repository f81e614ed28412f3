import { redirect } from '@sveltejs/kit';
import { exampleSheets } from '@kelbrin/core/machine';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { createSheet, sheetsOf } from '$lib/server/printers/machineSheets';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  sheets: await sheetsOf(database(), locals.person!),
  examples: exampleSheets.map(({ name }) => name),
});

export const actions: Actions = {
  create: async ({ request, locals }) => {
    const form = await request.formData();
    const like = {
      sheetId: String(form.get('like') ?? '') || undefined,
      example: String(form.get('example') ?? ''),
    };
    redirect(303, `/machines/${await orNotFound(createSheet(database(), locals.person!, like))}`);
  },
};
