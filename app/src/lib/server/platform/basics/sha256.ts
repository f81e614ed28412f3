import { createHash } from 'node:crypto';

/** The SHA-256 hash of bytes or words, in hexadecimal. */
export function sha256(content: Uint8Array | string): string {
  return createHash('sha256').update(content).digest('hex');
}
