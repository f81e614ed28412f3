import { redirect } from '@sveltejs/kit';
import { keepDevice } from '$lib/device.server';
import { orSentence, passCookies } from '$lib/requests.server';
import { signInStaff } from '$lib/server/platform/auth/signIn';
import { database } from '$lib/server/platform/db/database';
import { beginKelbrin, isNew } from '$lib/server/people/firstTeacher';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => {
  if (!(await isNew(database()))) redirect(303, '/sign-in');
};

export const actions: Actions = {
  default: async ({ request, cookies, url }) => {
    const begun = await orSentence(beginKelbrin(database(), Object.fromEntries(await request.formData())));
    if (!('email' in begun)) return begun;
    const { email, password } = begun;
    const signedIn = await signInStaff(database(), email, password);
    if (signedIn.ok) {
      passCookies(cookies, signedIn.setCookies);
      keepDevice(cookies, url, signedIn.device);
    }
    redirect(303, '/');
  },
};
