import { said } from '../words/index.ts';
import { plateSize, type MachineSheet } from './machineSheet.ts';

/** A value that a sheet's G-code can name: what it is, and what it might be, for checking code as it is typed. */
export interface CodeValue {
  readonly name: string;
  readonly what: string;
  readonly example: number | string;
}

/** All that can be named, in the order in which it is listed beside the code. */
export const codeValues = said(
  [
    { name: 'nozzleC', what: 'how hot the nozzle is, °C', example: 210 },
    { name: 'plateC', what: 'how hot the plate is, °C', example: 60 },
    { name: 'chamberC', what: 'how warm the chamber is, °C', example: 0 },
    { name: 'widthMm', what: 'how wide the plate is, mm', example: 220 },
    { name: 'depthMm', what: 'how deep the plate is, mm', example: 220 },
    { name: 'heightMm', what: 'how high the printer prints, mm', example: 250 },
    { name: 'topMm', what: 'how high the tallest part of the batch is, mm', example: 30 },
    { name: 'zMm', what: 'how high the nozzle is, mm', example: 12 },
    { name: 'layerMm', what: 'how thick a layer is, mm', example: 0.2 },
    { name: 'nozzleMm', what: 'how wide the nozzle is, mm', example: 0.4 },
    { name: 'filamentMm', what: 'how thick the filament is, mm', example: 1.75 },
    { name: 'filament', what: 'which filament comes next, counted from 0', example: 0 },
    { name: 'layers', what: 'how many layers there are', example: 150 },
    { name: 'minutes', what: 'how long it takes, minutes', example: 45 },
    { name: 'grams', what: 'how much plastic it takes, g', example: 12 },
    { name: 'batch', what: 'what the batch is called', example: 'Batch 4' },
    { name: 'printer', what: 'what the printer is called', example: 'Birch' },
  ] satisfies CodeValue[],
  ['what'],
);

/** What is named, for one batch on one printer. */
export type CodeValues = Readonly<Record<string, number | string>>;

/** Values as they might be on printers of a sheet, for code that is checked before there is a batch. */
export function exampleValues(sheet: MachineSheet): CodeValues {
  const [widthMm, depthMm] = plateSize(sheet.plate);
  const { heightMm, filamentMm } = sheet;
  return {
    ...Object.fromEntries(codeValues.map(({ name, example }) => [name, example])),
    ...(sheet.heatsPlate ? {} : { plateC: 0 }),
    ...{ widthMm, depthMm, heightMm, filamentMm, nozzleMm: sheet.nozzlesMm[0] },
  };
}
