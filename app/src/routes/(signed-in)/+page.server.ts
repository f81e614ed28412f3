import { redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

const start = { student: '/home', teacher: '/class', helper: '/print-room' } as const;

/** The start of the app is another page for each role. */
export const load: PageServerLoad = ({ locals }) => redirect(303, start[locals.person!.role]);
