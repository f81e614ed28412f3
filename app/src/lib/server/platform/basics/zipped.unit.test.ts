import { strFromU8, strToU8, unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { zipped, type ZipEntry } from './zipped.ts';

/** Files of 100 kB that cannot be packed, and how many were asked for. */
function manyFiles(count: number) {
  const asked = { files: 0 };
  async function* entries(): AsyncGenerator<ZipEntry> {
    for (let i = 0; i < count; i++) {
      asked.files++;
      yield { name: `${i}.bin`, bytes: new Uint8Array(100_000).fill(i), isPacked: true };
    }
  }
  return { asked, entries: entries() };
}

describe('a zip that is made while it is fetched', () => {
  it('holds its files', async () => {
    async function* entries(): AsyncGenerator<ZipEntry> {
      yield { name: 'a/é.txt', bytes: strToU8('first '.repeat(1000)) };
      yield { name: 'b.png', bytes: Uint8Array.of(1, 2, 3), isPacked: true };
    }
    const files = unzipSync(new Uint8Array(await new Response(zipped(entries())).arrayBuffer()));
    expect(Object.keys(files)).toEqual(['a/é.txt', 'b.png']);
    expect(strFromU8(files['a/é.txt'])).toBe('first '.repeat(1000));
    expect([...files['b.png']]).toEqual([1, 2, 3]);
  });

  it('asks for a file when the one before it was read, and for none when nobody reads on', async () => {
    const { asked, entries } = manyFiles(50);
    const reader = zipped(entries).getReader();
    for (let i = 0; i < 3; i++) await reader.read();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(asked.files).toBeLessThan(5);
    await reader.cancel();
    expect(asked.files).toBeLessThan(5);
  });
});
