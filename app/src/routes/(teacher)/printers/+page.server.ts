import { orSentence } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import {
  addPrinter,
  bringPrinterBack,
  changePrinter,
  printersToKeep,
  retiredPrinters,
  retirePrinter,
} from '$lib/server/printers/printers';
import { cardFolders } from '$lib/server/printers/drivers/cardFolders';
import { usbPorts } from '$lib/server/printers/drivers/usbPorts';
import { sheetsOf } from '$lib/server/printers/machineSheets';
import type { Connection } from '$lib/shared/connection';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const db = database();
  const person = locals.person!;
  const sheets = await sheetsOf(db, person);
  return {
    printers: await printersToKeep(db, person),
    retired: await retiredPrinters(db, person),
    sheets: sheets.map(({ id, name }) => ({ id, name })),
    ports: await usbPorts(),
    cards: await cardFolders(),
    newConnection: { way: 'network', host: '', port: 9100 } satisfies Connection,
  };
};

export const actions: Actions = {
  add: async ({ request, locals }) =>
    orSentence(addPrinter(database(), locals.person!, Object.fromEntries(await request.formData()))),
  change: async ({ request, locals }) => {
    const { printer, ...draft } = Object.fromEntries(await request.formData());
    return orSentence(changePrinter(database(), locals.person!, String(printer), draft));
  },
  retire: async ({ request, locals }) => {
    const printer = String((await request.formData()).get('printer'));
    return orSentence(retirePrinter(database(), locals.person!, printer));
  },
  bringBack: async ({ request, locals }) => {
    const printer = String((await request.formData()).get('printer'));
    return orSentence(bringPrinterBack(database(), locals.person!, printer));
  },
};
