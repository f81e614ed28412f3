import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';

/** A file to be put into a zip. */
export interface ZipEntry {
  readonly name: string;
  readonly bytes: Uint8Array;
  /** Whether it is packed already, as pictures and 3MF files are. */
  readonly isPacked?: boolean;
}

/** A zip as it is written: the next file is asked for when somebody has read the one before, so only one is held. */
export function zipped(entries: AsyncIterator<ZipEntry>): ReadableStream<Uint8Array> {
  let write: (piece: Uint8Array) => void = () => {};
  let wrote = false;
  const zip = new Zip((problem, piece) => {
    if (problem) throw problem;
    wrote ||= piece.length > 0;
    write(piece);
  });
  return new ReadableStream<Uint8Array>({
    async pull(controller) {
      write = (piece) => controller.enqueue(piece);
      wrote = false;
      // A stream that was asked for more has to be given some.
      while (!wrote) {
        const { done, value } = await entries.next();
        if (done) {
          zip.end();
          controller.close();
          return;
        }
        const file = value.isPacked ? new ZipPassThrough(value.name) : new ZipDeflate(value.name);
        zip.add(file);
        file.push(value.bytes, true);
      }
    },
    async cancel() {
      zip.terminate();
      await entries.return?.();
    },
  });
}
