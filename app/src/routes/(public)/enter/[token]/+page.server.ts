import { redirect } from '@sveltejs/kit';
import { orNotFound, orSentence, passCookies } from '$lib/requests.server';
import { keepDevice } from '$lib/device.server';
import { signInStaff } from '$lib/server/platform/auth/signIn';
import { DEVICE_COOKIE } from '$lib/server/platform/auth/knownDevices';
import { database } from '$lib/server/platform/db/database';
import { enter, entryBy } from '$lib/server/people/staff';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
  const { role, className, name } = await orNotFound(entryBy(database(), params.token));
  return { role: role as 'teacher' | 'helper', className, name };
};

export const actions: Actions = {
  default: async ({ params, request, cookies, url }) => {
    const db = database();
    const given = await orSentence(enter(db, params.token, Object.fromEntries(await request.formData())));
    if (!('email' in given)) return given;
    const { email, password } = given;
    const result = await signInStaff(db, email, password, cookies.get(DEVICE_COOKIE));
    if (!result.ok) redirect(303, '/sign-in');
    passCookies(cookies, result.setCookies);
    keepDevice(cookies, url, result.device);
    redirect(303, '/');
  },
};
