import { createHmac } from 'node:crypto';
import { UNAMBIGUOUS_CHARACTERS } from '../platform/basics/clearSigns.ts';

const LENGTH = 10;

/**
 * The code with which the first teacher begins. It follows from the server's secret and is told where the server is
 * started, so that nobody else on the network becomes the teacher of a new Kelbrin.
 */
export function firstCode(secret: string): string {
  const bytes = createHmac('sha256', secret).update('the first teacher').digest();
  return [...bytes.subarray(0, LENGTH)]
    .map((byte) => UNAMBIGUOUS_CHARACTERS[byte % UNAMBIGUOUS_CHARACTERS.length])
    .join('');
}
