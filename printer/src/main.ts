import { readFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { modelOf } from './model.ts';
import { startPrinter } from './server.ts';

const usage =
  'usage: printer --name NAME --port PORT [--speed 1] [--noise 0] [--faults SEED] [--sheet FILE.json] [--terminal PATH]';

const { values } = parseArgs({
  options: {
    name: { type: 'string', default: 'Simulated printer' },
    port: { type: 'string', default: '0' },
    speed: { type: 'string', default: '1' },
    noise: { type: 'string', default: '0' },
    faults: { type: 'string' },
    sheet: { type: 'string' },
    terminal: { type: 'string' },
  },
});
const [port, speed, noise] = [values.port, values.speed, values.noise].map(Number);
if (![port, speed, noise].every(Number.isFinite) || speed <= 0 || port < 0 || noise < 0 || noise >= 1) {
  console.error(usage);
  process.exit(2);
}

const faultSeed = values.faults === undefined ? undefined : Number(values.faults);
const model =
  values.sheet === undefined ? undefined : modelOf(JSON.parse(await readFile(values.sheet, 'utf8')));
const printer = await startPrinter({
  name: values.name,
  port,
  speed,
  noise,
  faultSeed,
  model,
  terminal: values.terminal,
});
console.log(`${values.name} listens on 127.0.0.1:${printer.port}, ${speed} times as fast as real time`);
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => void printer.close().then(() => process.exit(0)));
}
