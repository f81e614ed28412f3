import { imageSize } from 'image-size';
import { mediaTypeOf } from '../../../shared/picture.ts';
import type { Answers } from './task.ts';
import { say } from '@kelbrin/core/words';

/** The longest side of a picture that people add, pixels: a small file can claim to unpack to far more than a screen. */
const LONGEST_SIDE_PX = 6_000;

/** What kind of picture somebody sent, if it is one that can be shown: a PNG, JPEG or WebP file of sensible size. */
export function readPicture(bytes: Uint8Array): Answers['readPicture'] {
  const mediaType = mediaTypeOf(bytes);
  if (!mediaType)
    return { ok: false, problem: say('this is no PNG, JPEG or WebP picture: save it as one of these') };
  let size: { width: number; height: number };
  try {
    size = imageSize(bytes);
  } catch {
    return { ok: false, problem: say('the picture is damaged or cut short: save it again') };
  }
  const longest = Math.max(size.width, size.height);
  if (!(longest > 0))
    return { ok: false, problem: say('the picture is damaged or cut short: save it again') };
  if (longest > LONGEST_SIDE_PX) {
    return {
      ok: false,
      problem: say('the picture is {longest} pixels long, more than {most}: make it smaller first', {
        longest,
        most: LONGEST_SIDE_PX,
      }),
    };
  }
  return { ok: true, mediaType };
}
