import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SentBytes } from './sentBytes.ts';

describe('bytes that come in pieces', () => {
  it('are those that were sent, with their hash, however they were cut', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.uint8Array({ maxLength: 50 }), { maxLength: 20 }), async (pieces) => {
        const whole = Buffer.concat(pieces);
        const sent = await SentBytes.gather(pieces, 2_000);
        expect(Buffer.from(sent!.bytes).equals(whole)).toBe(true);
        expect(sent!.hash).toBe(createHash('sha256').update(whole).digest('hex'));
      }),
    );
  });

  it('are read to their end and not kept when there are more than may be, but not for ever', async () => {
    let read = 0;
    function* pieces(count: number) {
      for (read = 0; read < count; read++) yield new Uint8Array(1_000);
    }
    expect(await SentBytes.gather(pieces(10), 5_000)).toBeUndefined();
    expect(read).toBe(10);
    expect((await SentBytes.gather(pieces(5), 5_000))?.bytes.length).toBe(5_000);
    expect(await SentBytes.gather(pieces(Infinity), 5_000)).toBeUndefined();
    expect(read).toBeLessThan(30_000);
  });
});
