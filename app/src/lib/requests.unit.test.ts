import { describe, expect, it } from 'vitest';
import { jsonFrom } from './requests.server';

const sent = (body: BodyInit) => new Request('http://kelbrin.example/', { method: 'POST', body });

describe('JSON that somebody sends', () => {
  it('is read, or is none', async () => {
    expect(await jsonFrom(sent('{"é":[1]}'))).toEqual({ é: [1] });
    expect(await jsonFrom(sent('{"é":'))).toBeUndefined();
    expect(await jsonFrom(sent(''))).toBeUndefined();
  });

  it('is refused when it is larger than a design can be, also where it never ends', async () => {
    await expect(jsonFrom(sent(new Uint8Array(500_001)))).rejects.toMatchObject({ status: 413 });
    const endless = new ReadableStream({
      pull: (controller) => controller.enqueue(new Uint8Array(1_000_000).fill(32)),
    });
    const request = new Request('http://kelbrin.example/', {
      method: 'POST',
      body: endless,
      duplex: 'half',
    } as RequestInit);
    await expect(jsonFrom(request)).rejects.toMatchObject({ status: 413 });
  });
});
