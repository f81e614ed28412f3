import { schoolLog } from '$lib/server/platform/audit';
import { database } from '$lib/server/platform/db/database';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
  const before = Number(url.searchParams.get('before'));
  const beforeId = Number.isSafeInteger(before) && before > 0 && before < 2 ** 31 ? before : undefined;
  const withSignIns = url.searchParams.has('signIns');
  return { withSignIns, ...(await schoolLog(database(), locals.person!, { beforeId, withSignIns })) };
};
