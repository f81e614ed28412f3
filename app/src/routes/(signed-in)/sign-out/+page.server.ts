import { redirect } from '@sveltejs/kit';
import { passCookies } from '$lib/requests.server';
import { auth } from '$lib/server/auth/auth';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = () => redirect(303, '/');

export const actions: Actions = {
  default: async ({ request, cookies }) => {
    const response = await auth().api.signOut({ headers: request.headers, asResponse: true });
    passCookies(cookies, response.headers.getSetCookie());
    redirect(303, '/sign-in');
  },
};
