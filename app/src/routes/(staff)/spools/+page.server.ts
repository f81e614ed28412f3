import { orSentence } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { printersWithRuns } from '$lib/server/printing/printRoom';
import {
  addSpool,
  bringSpoolBack,
  endSpool,
  loadSpool,
  spoolsGone,
  spoolsOf,
  unloadSpool,
  weighSpool,
} from '$lib/server/printers/spools';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const db = database();
  const printers = await printersWithRuns(db, locals.person!);
  return {
    spools: await spoolsOf(db, locals.person!),
    gone: await spoolsGone(db, locals.person!),
    /** Where a roll can be put. */
    places: printers.flatMap(({ id, name, run, places }) =>
      places.map((_, place) => ({
        id,
        name,
        place: places.length > 1 ? place : undefined,
        isBusy: run !== undefined,
      })),
    ),
  };
};

export const actions: Actions = {
  add: async ({ request, locals }) => {
    const added = await orSentence(
      addSpool(database(), locals.person!, Object.fromEntries(await request.formData())),
    );
    return typeof added === 'number' ? { added } : added;
  },
  weigh: async ({ request, locals }) => {
    const form = await request.formData();
    return orSentence(weighSpool(database(), locals.person!, String(form.get('spool')), form.get('grams')));
  },
  load: async ({ request, locals }) => {
    const form = await request.formData();
    const [spool, printer] = [String(form.get('spool')), String(form.get('printer'))];
    const place = Number(form.get('place') ?? 0);
    return orSentence(loadSpool(database(), locals.person!, spool, printer, place));
  },
  unload: async ({ request, locals }) => {
    const spool = String((await request.formData()).get('spool'));
    return orSentence(unloadSpool(database(), locals.person!, spool));
  },
  end: async ({ request, locals }) => {
    const spool = String((await request.formData()).get('spool'));
    return orSentence(endSpool(database(), locals.person!, spool));
  },
  bringBack: async ({ request, locals }) => {
    const spool = String((await request.formData()).get('spool'));
    return orSentence(bringSpoolBack(database(), locals.person!, spool));
  },
};
