import { createHash } from 'node:crypto';
import { sha256 } from '../basics/sha256.ts';

/** So much more than may be is read, and not kept: whoever sends hears no answer before all of it is read. */
const MOST_PASSED_OVER = 25_000_000;

/** Bytes that somebody sent, with their hash, which is worked out once. */
export class SentBytes {
  readonly bytes: Uint8Array;
  readonly hash: string;

  constructor(bytes: Uint8Array, hash = sha256(bytes)) {
    this.bytes = bytes;
    this.hash = hash;
  }

  /**
   * Gathers what comes in pieces, hashing each as it comes, so that a large file never holds the thread. Undefined for
   * more than `most` bytes.
   */
  static async gather(
    pieces: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
    most: number,
  ): Promise<SentBytes | undefined> {
    const hash = createHash('sha256');
    const kept: Uint8Array[] = [];
    let length = 0;
    for await (const piece of pieces) {
      length += piece.length;
      if (length > most + MOST_PASSED_OVER) break;
      if (length > most) kept.length = 0;
      else {
        kept.push(piece);
        hash.update(piece);
      }
    }
    return length > most ? undefined : new SentBytes(Buffer.concat(kept), hash.digest('hex'));
  }
}

/** A file that somebody sent. */
export interface SentFile {
  readonly name: string;
  readonly sent: SentBytes;
}
