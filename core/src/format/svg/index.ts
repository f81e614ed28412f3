export { readSvg, type SvgDrawing } from './readSvg.ts';
export type { DrawingMath } from './sheet.ts';
export { escapedXml, writeSvg } from './writeSvg.ts';
