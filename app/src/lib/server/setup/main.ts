import { eq } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/postgres-js';
import { migrate } from 'drizzle-orm/postgres-js/migrator';
import postgres from 'postgres';
import { parseArgs } from 'node:util';
import { closePasswords } from '../platform/auth/passwords.ts';
import { compute } from '../platform/compute/compute.ts';
import { serverConfig } from '../platform/basics/config.ts';
import { speakAsSet } from '../platform/basics/language.ts';
import { connection } from '../platform/db/database.ts';
import { printers } from '../platform/db/schema/index.ts';
import { isEmpty, loadDemo } from '../demo/load.ts';
import { isNew } from '../people/firstTeacher.ts';
import { firstCode } from '../people/firstCode.ts';
import { fillFootprints } from './footprints.ts';

/*
 * Prepares a database: brings its tables up to date, loads the demo school into an empty one, and notes where the
 * printers answer (`--printer NAME=PORT`, any number of times).
 */

const { values } = parseArgs({
  options: {
    migrations: { type: 'string', default: 'app/drizzle' },
    demo: { type: 'boolean', default: false },
    printer: { type: 'string', multiple: true, default: [] },
  },
});

speakAsSet();
const single = postgres(serverConfig().DATABASE_URL, { max: 1, onnotice: () => {} });
await migrate(drizzle(single), { migrationsFolder: values.migrations });
await single.end();

const { sql, db } = connection();
await fillFootprints(db);
if (values.demo && (await isEmpty(db))) {
  // All or nothing, so that an interrupted start does not leave half a school behind.
  await db.transaction((tx) => loadDemo(tx));
  console.log('Loaded the demo school');
}
for (const place of values.printer) {
  const [name, port] = place.split('=');
  await db
    .update(printers)
    .set({ connection: { way: 'network', host: '127.0.0.1', port: Number(port) } })
    .where(eq(printers.name, name));
}
if (await isNew(db)) {
  console.log(
    `Kelbrin is new. Its first teacher begins with the code ${firstCode(serverConfig().KELBRIN_SECRET)}`,
  );
}
await Promise.all([compute().close(), closePasswords()]);
await sql.end();
