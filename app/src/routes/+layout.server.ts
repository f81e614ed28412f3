import { database } from '$lib/server/platform/db/database';
import { currencyOf } from '$lib/server/limits/currency';
import { unseenCount } from '$lib/server/platform/notices';
import { LIVE } from '$lib/live/reload';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const { person } = locals;
  const db = database();
  const [currency, unseen] = await Promise.all([currencyOf(db), person ? unseenCount(db, person) : 0]);
  return { person, unseen, school: { currency } };
};
