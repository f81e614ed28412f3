import { LARGEST_PICTURE_BYTES } from '../../../shared/picture.ts';
import { CannotNow } from '../basics/cannotNow.ts';
import { compute } from './compute.ts';
import { readSent } from './readSent.ts';
import type { SentFile } from '../sent/sentBytes.ts';

/** A picture that somebody added, and which kind it is; throws {@link CannotNow} with a sentence for anything else. */
export async function takenPicture({ name, sent }: SentFile): Promise<{
  readonly mediaType: string;
  readonly picture: Uint8Array;
}> {
  if (sent.bytes.length > LARGEST_PICTURE_BYTES)
    throw new CannotNow('{name} is larger than 2 MB: take a smaller picture.', { name });
  const reading = compute().run<'readPicture'>({ kind: 'readPicture', sent });
  const { mediaType } = await readSent(name, reading);
  return { mediaType, picture: sent.bytes };
}
