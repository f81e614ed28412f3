import { kelbrin } from './kelbrin.ts';

process.exitCode = await kelbrin(process.argv.slice(2), {
  out: (line) => process.stdout.write(`${line}\n`),
  err: (line) => process.stderr.write(`${line}\n`),
});
