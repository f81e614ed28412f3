export { codeProblems, type CodeProblem } from './codeProblems.ts';
export { codeValues, exampleValues, type CodeValue, type CodeValues } from './codeValues.ts';
export { exampleSheets } from './exampleSheets.ts';
export {
  isOnPlate,
  machineSheet,
  ordinaryDialect,
  ordinaryHead,
  plateSize,
  reachOf,
  type CodePlace,
  type Dialect,
  type MachineSheet,
  type PlateShape,
  type PrintHead,
} from './machineSheet.ts';
export { material, materialKey, materialNamed, sameMaterial, type Material } from './materials.ts';
export { choosesFilament, purgeMm } from './purge.ts';
export { figureAt, sheetFields, withFigure, type SheetField } from './sheetFields.ts';
export { inPlainAscii, writtenCode } from './writtenCode.ts';
