import { said } from '../words/index.ts';
import type { MachineSheet } from './machineSheet.ts';

/** A figure of a sheet, as it is asked for. */
export interface SheetField {
  readonly path: readonly string[];
  readonly label: string;
  readonly unit: 'mm' | 'mm/s' | 'mm/s²' | '°C';
  readonly min: number;
  readonly max: number;
}

const motors = said({ x: 'left to right', y: 'front to back', z: 'up and down', filament: 'filament' });
const byMotor = (key: string, unit: SheetField['unit'], min: number, max: number): SheetField[] =>
  Object.entries(motors).map(([motor, label]) => ({ path: [key, motor], label, unit, min, max }));

/** The figures of a sheet but for its plate, in the groups in which they are asked for. */
export const sheetFields: readonly { readonly title: string; readonly fields: readonly SheetField[] }[] =
  said(
    [
      {
        title: 'Highest temperatures',
        fields: [
          { path: ['maxNozzleC'], label: 'nozzle', unit: '°C', min: 150, max: 500 },
          { path: ['maxPlateC'], label: 'plate', unit: '°C', min: 0, max: 200 },
          { path: ['maxChamberC'], label: 'chamber', unit: '°C', min: 0, max: 120 },
        ],
      },
      {
        title: 'What moves with the nozzle',
        fields: [
          { path: ['head', 'besideMm'], label: 'reaches around it', unit: 'mm', min: 5, max: 200 },
          { path: ['head', 'beamMm'], label: 'beam above its tip', unit: 'mm', min: 0, max: 500 },
        ],
      },
      { title: 'Highest speeds', fields: byMotor('maxSpeedMmPerS', 'mm/s', 1, 2000) },
      {
        title: 'Highest accelerations',
        fields: [
          ...byMotor('maxAccelerationMmPerS2', 'mm/s²', 10, 50_000),
          { path: ['cornerDeviationMm'], label: 'corner distance', unit: 'mm', min: 0.001, max: 1 },
        ],
      },
    ],
    ['title', 'label'],
  );

/** What a sheet says in a field. */
export function figureAt(sheet: MachineSheet, { path }: SheetField): number {
  return path.reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], sheet) as number;
}

/** The sheet with another figure in a field. */
export function withFigure(sheet: MachineSheet, { path }: SheetField, value: number): MachineSheet {
  const [key, motor] = path;
  const own = sheet[key as 'maxSpeedMmPerS'];
  return { ...sheet, [key]: motor === undefined ? value : { ...own, [motor]: value } };
}
