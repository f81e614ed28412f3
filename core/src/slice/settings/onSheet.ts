import { plateSize, purgeMm, type MachineSheet } from '../../machine/index.ts';
import { say } from '../../words/index.ts';
import type { PrintSettings } from './printSettings.ts';

/** How long a printer takes to level its plate. */
const LEVELLING_S = 30;

/**
 * Settings as a printer with a sheet can carry them out: no faster, and no larger, than it is.
 *
 * @param colourPlaces the place on the printer that each colour comes from, where it changes filament by itself
 */
export function settingsOn(
  sheet: MachineSheet,
  settings: PrintSettings,
  colourPlaces: readonly number[] = [],
): PrintSettings {
  const { maxSpeedMmPerS: fastest, maxAccelerationMmPerS2: quickest, heatsPlate, maxPlateC, dialect } = sheet;
  const speed = (mmPerS: number) => Math.min(mmPerS, fastest.x, fastest.y);
  // A printer that cannot be told of accelerations speeds up as fast as it is set to.
  const acceleration = (mmPerS2: number) =>
    Math.min(dialect.takesAccelerations ? mmPerS2 : Infinity, quickest.x, quickest.y);
  return {
    ...settings,
    plateMm: [...plateSize(sheet.plate)],
    isPlateRound: sheet.plate.shape === 'round',
    heightMm: sheet.heightMm,
    filamentDiameterMm: sheet.filamentMm,
    bedC: heatsPlate ? Math.min(settings.bedC, maxPlateC) : 0,
    chamberC: sheet.hasChamber ? Math.min(settings.chamberC, sheet.maxChamberC) : 0,
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
    retractMmPerS2: Math.min(
      dialect.takesAccelerations ? settings.retractMmPerS2 : Infinity,
      quickest.filament,
    ),
    liftMmPerS2: Math.min(acceleration(settings.travelMmPerS2), quickest.z),
    readyS: sheet.levels ? LEVELLING_S : 0,
    cornerDeviationMm: sheet.cornerDeviationMm,
    colourPlaces: [...colourPlaces],
    purgeMm: purgeMm(sheet),
  };
}

/** Why settings cannot be printed on a printer with a sheet, in a sentence; nothing where they can. */
export function cannotPrint(
  sheet: MachineSheet,
  settings: Pick<PrintSettings, 'nozzleC'>,
): string | undefined {
  return settings.nozzleC > sheet.maxNozzleC
    ? say('{name} reaches {hottestC} °C, and this material needs {nozzleC} °C.', {
        name: sheet.name,
        hottestC: sheet.maxNozzleC,
        nozzleC: settings.nozzleC,
      })
    : undefined;
}
