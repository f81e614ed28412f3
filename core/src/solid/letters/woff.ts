import { unzlibSync } from 'fflate';

/**
 * The tables of a font as its reader takes them (sfnt), from the packed form that is sent over a network.
 * @param packed a WOFF 1.0 file (W3C Recommendation of 2012); its tables are packed by zlib or not at all
 * @throws RangeError where the file ends before its tables do
 */
export function unpackedFont(packed: Uint8Array): Uint8Array {
  const from = new DataView(packed.buffer, packed.byteOffset, packed.byteLength);
  const tables = from.getUint16(12);
  const unpacked = new Uint8Array(from.getUint32(16));
  const to = new DataView(unpacked.buffer);
  to.setUint32(0, from.getUint32(4));
  to.setUint16(4, tables);
  // What helps to search the table of contents by halves.
  const depth = Math.floor(Math.log2(tables));
  to.setUint16(6, 16 << depth);
  to.setUint16(8, depth);
  to.setUint16(10, 16 * (tables - (1 << depth)));
  let at = 12 + 16 * tables;
  for (let i = 0; i < tables; i++) {
    const entry = 44 + 20 * i;
    const [tag, offset, packedLength, length, checksum] = [0, 4, 8, 12, 16].map((field) =>
      from.getUint32(entry + field),
    );
    const bytes = packed.subarray(offset, offset + packedLength);
    unpacked.set(packedLength === length ? bytes : unzlibSync(bytes), at);
    [tag, checksum, at, length].forEach((value, field) => to.setUint32(12 + 16 * i + 4 * field, value));
    at += Math.ceil(length / 4) * 4;
  }
  return unpacked;
}
