import type { Command } from './line.ts';
import type { Model } from './model.ts';

/** G-code rounds speeds to whole millimetres a minute and places to thousandths. */
const ROUNDING = 1.005;
const ROUNDING_MM = 0.002;

type Motor = 'x' | 'y' | 'z' | 'filament';

/** A move as the printer is asked for it. */
export interface AskedMove {
  readonly to: Readonly<Record<'x' | 'y' | 'z', number>>;
  /** How far each motor goes, mm. */
  readonly byMm: Readonly<Record<Motor, number>>;
  readonly mmPerS: number;
}

/** What a printer of a model has to say against a command other than a move; nothing where it can do it. */
export function complaintOf({ code, parameters }: Command, { dialect, ...model }: Model): string | undefined {
  const asked = parameters.S ?? 0;
  const no = `echo:This model does not take ${code}`;
  switch (code) {
    case 'M104':
    case 'M109':
      return asked > model.maxNozzleC ? `echo:Nozzle too hot: ${asked}` : undefined;
    case 'M140':
    case 'M190':
      if (!model.heatsPlate) return asked > 0 ? no : undefined;
      return asked > model.maxPlateC ? `echo:Plate too hot: ${asked}` : undefined;
    case 'M106':
      return asked > dialect.fanFull ? `echo:Fan faster than full: ${asked}` : undefined;
    case 'M141':
    case 'M191':
      return model.hasChamber ? undefined : no;
    case 'M204':
      if (!dialect.takesAccelerations) return no;
      return accelerationComplaint(parameters, model.maxAccelerationMmPerS2);
    case 'M205':
      return dialect.takesCorners ? undefined : no;
    case 'G2':
    case 'G3':
      return dialect.takesArcs ? undefined : no;
    case 'G10':
    case 'G11':
      return dialect.retractsByItself ? undefined : no;
    case 'G29':
      return model.levels ? undefined : no;
  }
  const tool = /^T(\d+)$/.exec(code);
  return tool && Number(tool[1]) >= model.filaments ? `echo:There is no filament ${code}` : undefined;
}

function accelerationComplaint(
  { P, T, R }: Command['parameters'],
  most: Model['maxAccelerationMmPerS2'],
): string | undefined {
  const sideways = Math.min(most.x, most.y);
  const isTooMuch = (P ?? 0) > sideways || (T ?? 0) > sideways || (R ?? 0) > most.filament;
  return isTooMuch ? `echo:Acceleration too high: ${Math.max(P ?? 0, T ?? 0, R ?? 0)}` : undefined;
}

/** What a printer of a model has to say against a move. */
export function moveComplaints({ to, byMm, mmPerS }: AskedMove, model: Model): string[] {
  const said: string[] = [];
  for (const axis of ['x', 'y', 'z'] as const) {
    const [low, high] = model.reachMm[axis];
    if (byMm[axis] !== 0 && (to[axis] < low - ROUNDING_MM || to[axis] > high + ROUNDING_MM))
      said.push(`echo: ${axis} is out of reach: ${to[axis]}`);
  }
  if (model.radiusMm !== undefined && (byMm.x !== 0 || byMm.y !== 0)) {
    const middle = (axis: 'x' | 'y') => (model.reachMm[axis][0] + model.reachMm[axis][1]) / 2;
    const outMm = Math.hypot(to.x - middle('x'), to.y - middle('y'));
    if (outMm > model.radiusMm + ROUNDING_MM)
      said.push(`echo: off the round plate by ${outMm - model.radiusMm}`);
  }
  const wayMm = Math.hypot(byMm.x, byMm.y, byMm.z) || Math.abs(byMm.filament);
  for (const motor of ['x', 'y', 'z', 'filament'] as const) {
    const speed = wayMm === 0 ? 0 : (mmPerS * Math.abs(byMm[motor])) / wayMm;
    if (speed > model.maxSpeedMmPerS[motor] * ROUNDING) said.push(`echo: ${motor} too fast: ${speed} mm/s`);
  }
  return said;
}
