import { join } from 'node:path';
import { school } from '../app/src/lib/server/demo/school.ts';
import { buildAll } from './build.ts';
import { stateFolder } from './state.ts';
import { createDatabase, startCluster } from './postgres.ts';
import { Stack } from './stack.ts';
import { untilEnded } from './untilEnded.ts';
import { wordsOf } from './words.ts';

/*
 * Starts everything and stays until Ctrl-C: with the demo school, or with --empty as a school finds it, on a database of
 * its own.
 */

const { values } = wordsOf({
  options: {
    fresh: { type: 'boolean', default: false },
    port: { type: 'string', default: '3000' },
    speed: { type: 'string', default: '30' },
    verbose: { type: 'boolean', default: false },
    empty: { type: 'boolean', default: false },
  },
});

const begun = performance.now();
await untilEnded(async (started) => {
  await buildAll();
  if (!process.env.DATABASE_URL) started.cluster = await startCluster('demo');
  const databaseUrl =
    process.env.DATABASE_URL ?? started.cluster!.url(values.empty ? 'kelbrin_empty' : 'kelbrin');
  await createDatabase(databaseUrl, { fresh: values.fresh });
  const stack = (started.stack = await Stack.start({
    standIns: join(stateFolder, 'stand-ins'),
    databaseUrl,
    port: Number(values.port),
    printerSpeed: Number(values.speed),
    verbose: values.verbose,
    demo: !values.empty,
    supervised: true,
  }));
  const seconds = Math.round((performance.now() - begun) / 1000);
  const people = values.empty
    ? stack.printerPorts.map((port) => `  a printer answers at 127.0.0.1, port ${port}`)
    : [
        `  teacher   ${school.teacher.email}   password: ${school.teacher.password}`,
        `  helper    ${school.helper.email}     password: ${school.helper.password}`,
        `  student   class code ${school.classCode}, name asha (or bruno, cleo, … noor), PIN ${school.studentPin}`,
      ];
  console.log(`
Kelbrin is ready at ${stack.origin} (after ${seconds} s)

${people.join('\n')}

The simulated printers run ${values.speed} times as fast as real ones. Ctrl-C stops everything; the data stays.`);
});
