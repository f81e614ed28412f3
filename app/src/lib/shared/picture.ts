/** Pictures that people add are scaled down before they are sent; a larger file than this is refused. */
export const LARGEST_PICTURE_BYTES = 2_000_000;

const starts = [
  { mediaType: 'image/png', at: 0, bytes: [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a] },
  { mediaType: 'image/jpeg', at: 0, bytes: [0xff, 0xd8, 0xff] },
  { mediaType: 'image/webp', at: 8, bytes: [0x57, 0x45, 0x42, 0x50] },
];

/** The media type of a picture by how its bytes begin, whatever it is called; undefined for anything but a photo or drawing. */
export function mediaTypeOf(file: Uint8Array): string | undefined {
  return starts.find(({ at, bytes }) => bytes.every((byte, i) => file[at + i] === byte))?.mediaType;
}
