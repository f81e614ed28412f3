import { database } from '$lib/server/db/database';
import { unseenCount } from '$lib/server/notices';
import { LIVE } from '$lib/live/follow.svelte';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const { person } = locals;
  return { person, unseen: person ? await unseenCount(database(), person) : 0 };
};
