export {
  BARE_LETTER,
  capUnitsOfCut,
  cutNames,
  cutsOfFont,
  DRAWING_FONT,
  everyCutFor,
  signCuts,
  thinnestStrokesOfCut,
  type CutName,
  type WrittenFont,
} from './cuts.ts';
export { covers, rangesOfCut } from './covers.ts';
export { fontNames, type FontName } from './fontNames.ts';
export { cutsFor, lentWords, thinnestStroke } from './lent.ts';
export { scripts, type ScriptName } from './scripts.ts';
export { spelled, type Run, type Spelled } from './spelled.ts';
