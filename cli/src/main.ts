import { kelbrin } from './kelbrin.ts';

process.exitCode = await kelbrin(process.argv.slice(2), {
  out: (line) => process.stdout.write(`${line}\n`),
  err: (line) => process.stderr.write(`${line}\n`),
  // Only for somebody who looks on: one line that is written over.
  progress: process.stderr.isTTY ? (words) => process.stderr.write(`\r\x1b[K${words}`) : undefined,
});
