import { FormatError } from './formatError.ts';
import { locale, say } from '../words/index.ts';

/** How much a file may hold; a reader stops as soon as it meets more. */
export interface FileLimits {
  /** The file itself, bytes. */
  readonly bytes: number;
  /** What is packed in it, all together and unpacked, bytes. */
  readonly unpackedBytes: number;
  /** Entries of a package. */
  readonly entries: number;
  readonly triangles: number;
  /** Corners that triangles share. */
  readonly corners: number;
  /** Pieces that do not touch each other. */
  readonly bodies: number;
}

/** For files that somebody sends over the network: more than any classroom part needs. */
export const sentFile: FileLimits = {
  bytes: 20_000_000,
  unpackedBytes: 28_000_000,
  entries: 200,
  triangles: 200_000,
  corners: 300_000,
  bodies: 2_000,
};

/** For files that somebody reads on a machine of their own, where only the memory is at stake. */
export const ownFile: FileLimits = {
  bytes: 500_000_000,
  unpackedBytes: 1_000_000_000,
  entries: 1_000,
  triangles: 4_000_000,
  corners: 6_000_000,
  bodies: 20_000,
};

/** Throws unless so many triangles may be in a file. */
export function demandTriangles(triangles: number, limits: FileLimits): void {
  if (triangles > limits.triangles)
    throw new FormatError(
      say('the file has more than {most} triangles', { most: grouped(limits.triangles) }),
    );
}

/** Throws unless so many corners may be in a file. */
export function demandCorners(corners: number, limits: FileLimits): void {
  if (corners > limits.corners)
    throw new FormatError(say('the file has more than {most} corners', { most: grouped(limits.corners) }));
}

/** Throws unless the file as a whole may be so large. */
export function demandBytes(bytes: number, limits: FileLimits): void {
  if (bytes > limits.bytes)
    throw new FormatError(say('the file is larger than {bytes} MB', { bytes: limits.bytes / 1e6 }));
}

/** A count with its thousands apart: `200,000`. */
export function grouped(count: number): string {
  return count.toLocaleString(locale());
}
