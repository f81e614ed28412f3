import * as z from 'zod';
import { colourBands } from '@kelbrin/core/colours';
import { inspection, supportMarks } from '@kelbrin/core/inspect';
import { machineSheet, material } from '@kelbrin/core/machine';
import { partChoice, printChoice, printEstimate } from '@kelbrin/core/slice/kept';
import { benchReport } from '../../../../shared/benchReport.ts';
import { connection } from '../../../../shared/connection.ts';
import { anchor } from '../../../../shared/remark.ts';
import { argument } from '../../../../shared/saidWithHandIn.ts';
import { rolls } from '../../../../shared/rolls.ts';
import { planning } from '../../../../shared/planning.ts';
import { schoolDay } from '../../../../shared/schoolDay.ts';
import { startChecks } from '../../../../shared/startChecks.ts';
import { trend } from '../../../../shared/trend.ts';
import { keptJson, type Migration } from './keptJson.ts';

/* What Kelbrin works out or notes, and keeps as JSON: each with its schema and what became of its older versions. */

/** The server's own inspection of a solid. */
export const keptInspection = keptJson('inspection', inspection);

/** Before parts had several colours, an estimate said nothing of each. */
const withColours: Migration = (value) => {
  const estimate = value as { grams: number; colourGrams?: number[] };
  return { ...estimate, colourGrams: estimate.colourGrams ?? [estimate.grams] };
};
/** What printing takes. */
export const keptEstimate = keptJson('estimate', printEstimate, [withColours]);

/** The colours that a part is wished in, from which height on each. */
export const keptColours = keptJson('colours', colourBands);

/** What a part covers of a plate: closed outlines, mm; see `@kelbrin/core/plate`. */
export const keptFootprint = keptJson('footprint', z.array(z.array(z.tuple([z.number(), z.number()]))));

/** The faces of a part that supports are to keep away from, or to hold. */
export const keptSupportMarks = keptJson('marks for supports', supportMarks);

/** How a batch is to be printed. */
export const keptChoice = keptJson('choice of print settings', printChoice);

/** How one part of a batch is to be printed otherwise than the others. */
export const keptPartChoice = keptJson('choice for a part', partChoice);

/** What a model of printer is like. */
export const keptSheet = keptJson('machine sheet', machineSheet);

/** What printing with a material needs. */
export const keptMaterial = keptJson('material', material);

/** How a printer is reached. */
export const keptConnection = keptJson('connection of a printer', connection);

/** What a printer last said of itself; see `printers/drivers/driver.ts`. */
const printerStatus = z.strictObject({
  online: z.boolean(),
  nozzleC: z.number(),
  nozzleTargetC: z.number(),
  bedC: z.number(),
  bedTargetC: z.number(),
});
export type PrinterStatus = z.infer<typeof printerStatus>;
export const keptStatus = keptJson('status of a printer', printerStatus);

/** Temperatures of a printer over the last minutes. */
export const keptTrend = keptJson('trend of temperatures', trend);

/** Sizes that were measured on a part: left to right, front to back and up, or the first of them, mm. */
export const keptSizes = keptJson('measured sizes', z.array(z.number()).min(1).max(3).readonly());

/** What was ticked off before a print was started. */
export const keptStartChecks = keptJson('checks before a start', z.array(z.enum(startChecks)).readonly());

/** The lessons of a school's day. */
export const keptDay = keptJson('school day', schoolDay);

/** When somebody is in the print room. */
export const keptPlanning = keptJson('planning', planning);

/** What a student's bench last said of itself. */
export const keptReport = keptJson('report of a bench', benchReport);

/** Why a student wants what checks fail. */
export const keptArguments = keptJson('arguments of a student', z.array(argument));

/** Where the colours of a run come from. */
export const keptRolls = keptJson('rolls of a run', rolls);

/** Where a remark stands. */
export const keptAnchor = keptJson('place of a remark', anchor);
