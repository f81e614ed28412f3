import { redirect } from '@sveltejs/kit';
import { passCookies } from '$lib/requests.server';
import { auth } from '$lib/server/platform/auth/auth';
import { database } from '$lib/server/platform/db/database';
import { announce } from '$lib/server/platform/live/topics';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = () => redirect(303, '/');

export const actions: Actions = {
  default: async ({ request, cookies, locals }) => {
    const response = await auth().api.signOut({ headers: request.headers, asResponse: true });
    passCookies(cookies, response.headers.getSetCookie());
    // Streams of news that this session opened are closed, and those of others are made anew.
    await announce(database(), `sessions:${locals.person!.id}`);
    redirect(303, '/sign-in');
  },
};
