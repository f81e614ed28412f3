import { database } from '$lib/server/db/database';
import { printFigures } from '$lib/server/plates/printFigures';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => printFigures(database(), locals.person!);
