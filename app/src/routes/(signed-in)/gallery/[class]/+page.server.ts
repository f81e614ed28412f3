import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { galleryOf, setGallery } from '$lib/server/projects/gallery';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, locals }) =>
  orNotFound(galleryOf(database(), locals.person!, params.class));

export const actions: Actions = {
  set: async ({ request, params, locals }) => {
    const isOpen = (await request.formData()).get('open') === 'yes';
    await orNotFound(setGallery(database(), locals.person!, params.class, isOpen));
  },
};
