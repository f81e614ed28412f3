import { Unzip, UnzipInflate, type UnzipFile } from 'fflate';
import { grouped, type FileLimits } from './fileLimits.ts';
import { FormatError } from './formatError.ts';
import { say } from '../words/index.ts';

/** How much of a package is handed to the decompressor at a time, so that it can be stopped in between. */
const PIECE_BYTES = 16_384;

/** Takes the unpacked bytes of one entry piece by piece. */
export type Taker = (piece: Uint8Array, isLast: boolean) => void;

/**
 * Goes through a ZIP package once and hands the entries for which `takerOf` returns a taker to it, piece by piece while
 * they are unpacked. Entries without a taker are not unpacked. Throws a {@link FormatError} when the package is damaged,
 * or as soon as it turns out to hold more than it may.
 */
export function unpack(
  bytes: Uint8Array,
  limits: FileLimits,
  takerOf: (name: string) => Taker | undefined,
): void {
  if (!hasEnd(bytes)) throw damaged();
  let entries = 0;
  let unpacked = 0;
  const open = new Set<UnzipFile>();
  // The decompressor passes what its callers throw on as an error of its own.
  let refusal: FormatError | undefined;
  const refuse = (message: string): never => {
    throw (refusal ??= new FormatError(message));
  };
  const unzip = new Unzip((file) => {
    if (++entries > limits.entries)
      refuse(say('the package holds more than {most} files', { most: grouped(limits.entries) }));
    const take = takerOf(file.name);
    if (!take) return;
    open.add(file);
    file.ondata = (error, piece, isLast) => {
      if (error) throw damaged(error);
      unpacked += piece.length;
      if (unpacked > limits.unpackedBytes)
        refuse(
          say('the file unpacks to more than {unpackedBytes} MB', {
            unpackedBytes: limits.unpackedBytes / 1e6,
          }),
        );
      if (isLast) open.delete(file);
      try {
        take(piece, isLast);
      } catch (problem) {
        if (problem instanceof FormatError) refusal ??= problem;
        throw problem;
      }
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length; at += PIECE_BYTES) {
      const end = at + PIECE_BYTES;
      unzip.push(bytes.subarray(at, end), end >= bytes.length);
    }
  } catch (error) {
    throw refusal ?? damaged(error);
  }
  if (entries === 0 || open.size > 0) throw damaged();
}

/** The record at the end of a package begins with these bytes; a comment of up to 65,535 bytes may follow it. */
const END_RECORD = [0x50, 0x4b, 5, 6];
const END_RECORD_BYTES = 22;

/** Whether a package has its end record, which one that was cut short has not. */
function hasEnd(bytes: Uint8Array): boolean {
  const latest = bytes.length - END_RECORD_BYTES;
  for (let at = latest; at >= Math.max(0, latest - 65_535); at--)
    if (END_RECORD.every((byte, i) => bytes[at + i] === byte)) return true;
  return false;
}

function damaged(cause?: unknown): FormatError {
  return new FormatError(say('the package is damaged or cut short'), { cause });
}
