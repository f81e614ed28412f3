import { buildAll } from './build.ts';
import { createDatabase, startCluster } from './postgres.ts';
import { Stack } from './stack.ts';
import { untilEnded } from './untilEnded.ts';
import { wordsOf } from './words.ts';

/*
 * Runs Kelbrin for a school: no demo, no simulated printers, a database of its own or the one that DATABASE_URL names.
 * See docs/operating.md.
 */

const { values } = wordsOf({
  options: {
    address: { type: 'string', default: '127.0.0.1' },
    port: { type: 'string', default: '3000' },
    origin: { type: 'string' },
  },
});

await untilEnded(async (started) => {
  await buildAll();
  if (!process.env.DATABASE_URL) started.cluster = await startCluster('school');
  const databaseUrl = process.env.DATABASE_URL ?? started.cluster!.url('kelbrin');
  await createDatabase(databaseUrl);
  started.stack = await Stack.start({
    databaseUrl,
    address: values.address,
    port: Number(values.port),
    demo: false,
    printers: false,
    verbose: true,
    supervised: true,
    ...(values.origin ? { origin: values.origin } : {}),
  });
  console.log(
    `Kelbrin answers at ${started.stack.origin}, and listens on ${values.address}, port ${values.port}.`,
  );
});
