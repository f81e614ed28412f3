export { FormatError } from './formatError.ts';
export { readSolid } from './readSolid.ts';
export { readStl, writeStl } from './stl.ts';
export { readThreeMf, writeThreeMf } from './threeMf.ts';
