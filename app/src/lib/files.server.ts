import { sha256 } from './server/platform/basics/sha256';

/** How a picture that somebody added is sent: as nothing but a picture, to whoever may see it. */
export function pictureResponse(
  request: Request,
  { mediaType, picture }: { readonly mediaType: string; readonly picture: Uint8Array },
): Response {
  const headers = { 'Content-Security-Policy': "default-src 'none'; sandbox" };
  return hashedFile(request, sha256(picture), { bytes: picture, type: mediaType, headers });
}

/**
 * The answer to a request for a file that never changes, of the given hash: its bytes, or that the browser has them already.
 * The browser asks each time, so that nothing private is shown from its store after somebody has signed out.
 */
export function hashedFile(
  request: Request,
  hash: string,
  file: {
    readonly bytes: Uint8Array;
    readonly type: string;
    readonly headers?: Readonly<Record<string, string>>;
  },
): Response {
  const etag = `"${hash}"`;
  const headers = { ...file.headers, ETag: etag, 'Cache-Control': 'private, no-cache' };
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers });
  return new Response(file.bytes.slice(), { headers: { ...headers, 'Content-Type': file.type } });
}
