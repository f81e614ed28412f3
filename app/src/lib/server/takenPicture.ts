import { LARGEST_PICTURE_BYTES } from '../shared/picture.ts';
import { CannotNow } from './cannotNow.ts';
import { compute } from './compute/compute.ts';
import { TaskFailure } from './compute/taskFailure.ts';

/** A picture that somebody added, and which kind it is; throws {@link CannotNow} with a sentence for anything else. */
export async function takenPicture({
  name,
  bytes,
}: {
  readonly name: string;
  readonly bytes: Uint8Array;
}): Promise<{
  readonly mediaType: string;
  readonly picture: Uint8Array;
}> {
  if (bytes.length > LARGEST_PICTURE_BYTES) throw new CannotNow(`${name} is larger than 2 MB.`);
  const read = await compute()
    .run<'readPicture'>({ kind: 'readPicture', bytes })
    .catch((problem: unknown) => {
      if (problem instanceof TaskFailure) throw new CannotNow(`${name}: ${problem.message}`);
      throw problem;
    });
  if (!read.ok) throw new CannotNow(`${name}: ${read.problem}.`);
  return { mediaType: read.mediaType, picture: bytes };
}
