export { DEFAULT_FILE_PATTERN, fileName, patternProblem, type NameParts } from './fileName.ts';
export { ownFile, sentFile, type FileLimits } from './fileLimits.ts';
export { FormatError } from './formatError.ts';
export { readObj, writeObj } from './obj.ts';
export { plainLetters } from './plainLetters.ts';
export { readPart } from './readPart.ts';
export { readAndMend, readSolid, type ReadSolid } from './readSolid.ts';
export { writeSheetPdf } from './sheetPdf.ts';
export { writeSheetSvg } from './sheetSvg.ts';
export { readStl, writeAsciiStl, writeStl } from './stl.ts';
export { writeStep, type StepPart } from './step/index.ts';
export { readSvg, writeSvg, type DrawingMath, type SvgDrawing } from './svg/index.ts';

export { readThreeMf, recipeInThreeMf } from './threeMfRead.ts';
export { writeThreeMf, type PartNotes } from './threeMfWrite.ts';
