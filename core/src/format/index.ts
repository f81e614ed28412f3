export { DEFAULT_FILE_PATTERN, fileName, patternProblem, type NameParts } from './fileName.ts';
export { FormatError } from './formatError.ts';
export { guessUnit, type FileUnit } from './guessUnit.ts';
export { readObj, writeObj } from './obj.ts';
export { readAndMend, readSolid, type ReadSolid } from './readSolid.ts';
export { readStl, writeAsciiStl, writeStl } from './stl.ts';
export { readSvg, type SvgDrawing } from './svgRead.ts';
export { writeSvg } from './svgWrite.ts';
export { readThreeMf, recipeInThreeMf, writeThreeMf, type PartNotes } from './threeMf.ts';
