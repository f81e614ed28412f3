import { LARGEST_PICTURE_BYTES, mediaTypeOf } from '../shared/picture.ts';
import { CannotNow } from './cannotNow.ts';

/** A picture that somebody added, and which kind it is; throws {@link CannotNow} with a sentence for anything else. */
export function takenPicture({ name, bytes }: { readonly name: string; readonly bytes: Uint8Array }): {
  readonly mediaType: string;
  readonly picture: Uint8Array;
} {
  if (bytes.length > LARGEST_PICTURE_BYTES) throw new CannotNow(`${name} is larger than 2 MB.`);
  const mediaType = mediaTypeOf(bytes);
  if (!mediaType) throw new CannotNow(`${name} is no PNG, JPEG or WebP picture.`);
  return { mediaType, picture: bytes };
}

/** How a picture that somebody added is sent: as nothing but a picture, to whoever may see it. */
export function pictureResponse({
  mediaType,
  picture,
}: {
  mediaType: string;
  picture: Uint8Array;
}): Response {
  return new Response(picture.slice(), {
    headers: {
      'Content-Type': mediaType,
      'Content-Security-Policy': "default-src 'none'; sandbox",
      'Cache-Control': 'private, max-age=3600',
    },
  });
}
