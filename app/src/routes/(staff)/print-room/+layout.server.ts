import { database } from '$lib/server/platform/db/database';
import { careBooks, careOfPrinters } from '$lib/server/printers/care';
import type { LayoutServerLoad } from './$types';

/**
 * What of each printer was looked after, and when. It adds up all that was printed since, and is not as it was only after
 * somebody did something: so it is loaded apart from what changes each second.
 */
export const load: LayoutServerLoad = async ({ locals }) => {
  const [care, careBook] = await Promise.all([
    careOfPrinters(database(), locals.person!),
    careBooks(database(), locals.person!),
  ]);
  return { care, careBook };
};
