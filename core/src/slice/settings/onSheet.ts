import { plateSize, type MachineSheet } from '../../machine/index.ts';
import { say } from '../../words/index.ts';
import type { PrintSettings } from './printSettings.ts';

/** Settings as a printer with a sheet can carry them out: no faster, and no larger, than it is. */
export function settingsOn(sheet: MachineSheet, settings: PrintSettings): PrintSettings {
  const { fastestMmPerS: fastest, quickestMmPerS2: quickest, heatsPlate, hottestPlateC } = sheet;
  const speed = (mmPerS: number) => Math.min(mmPerS, fastest.x, fastest.y);
  const acceleration = (mmPerS2: number) => Math.min(mmPerS2, quickest.x, quickest.y);
  return {
    ...settings,
    plateMm: [...plateSize(sheet.plate)],
    heightMm: sheet.heightMm,
    filamentDiameterMm: sheet.filamentMm,
    bedC: heatsPlate ? Math.min(settings.bedC, hottestPlateC) : 0,
    firstLayerMmPerS: speed(settings.firstLayerMmPerS),
    wallMmPerS: speed(settings.wallMmPerS),
    infillMmPerS: speed(settings.infillMmPerS),
    spanMmPerS: speed(settings.spanMmPerS),
    travelMmPerS: speed(settings.travelMmPerS),
    liftMmPerS: Math.min(settings.liftMmPerS, fastest.z),
    retractMmPerS: Math.min(settings.retractMmPerS, fastest.filament),
    firstLayerMmPerS2: acceleration(settings.firstLayerMmPerS2),
    wallMmPerS2: acceleration(settings.wallMmPerS2),
    infillMmPerS2: acceleration(settings.infillMmPerS2),
    travelMmPerS2: acceleration(settings.travelMmPerS2),
    retractMmPerS2: Math.min(settings.retractMmPerS2, quickest.filament),
    cornerDeviationMm: sheet.cornerDeviationMm,
  };
}

/** Why settings cannot be printed on a printer with a sheet, in a sentence; nothing where they can. */
export function cannotPrint(
  sheet: MachineSheet,
  settings: Pick<PrintSettings, 'nozzleC'>,
): string | undefined {
  return settings.nozzleC > sheet.hottestNozzleC
    ? say('{name} becomes {hottestC} °C hot at most, and this material needs {nozzleC} °C.', {
        name: sheet.name,
        hottestC: sheet.hottestNozzleC,
        nozzleC: settings.nozzleC,
      })
    : undefined;
}
