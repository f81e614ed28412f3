import { database } from '$lib/server/platform/db/database';
import { printFigures } from '$lib/server/printing/runs/printFigures';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => printFigures(database(), locals.person!);
