import * as z from 'zod';
import { formatNumber } from '../../recipe/index.ts';

const verdict = z.enum(['pass', 'warn', 'fail']);
/** A count has no unit. */
const unit = z.enum(['mm', 'mm²', '°', 'min', 'g', '']);

/** A place on the part that a check has something to say about. */
export const finding = z.strictObject({
  verdict,
  measured: z.number(),
  unit,
  /** A point on the part, mm, as it stands on the plate. */
  at: z.tuple([z.number(), z.number(), z.number()]),
  /** One sentence for a twelve-year-old. */
  message: z.string(),
  /** The ids of the steps whose surface it is; empty for a part without a recipe. */
  steps: z.array(z.string()),
  /** The triangles of the mesh that make up the place. */
  triangles: z.array(z.number().int()),
  /** For a hole, what is known of it beyond its diameter; the axis is a unit vector. */
  hole: z
    .strictObject({
      axis: z.tuple([z.number(), z.number(), z.number()]),
      depthMm: z.number(),
      through: z.boolean(),
      /** The diameter that it comes out with, as the plastic shrinks. */
      printedMm: z.number().optional(),
    })
    .optional(),
  /** What the measured value is held against, where that is not the limit of the whole check. */
  limit: z.number().optional(),
  /** For what a brief asks, which of its requirements it is, from 0. */
  requirement: z.number().int().optional(),
});
export type Finding = z.infer<typeof finding>;

/** What one check found. */
export const checkResult = z.strictObject({
  id: z.string(),
  title: z.string(),
  verdict,
  /** The worst value, also when it passes; null when there is nothing of the kind to measure. */
  measured: z.number().nullable(),
  /** What decided in place of a figure, in a few words: "a joint of 0.5 mm". */
  reason: z.string().optional(),
  limit: z.number(),
  unit,
  /** Whether the measured value must be at least or at most the limit. */
  rule: z.enum(['atLeast', 'atMost']),
  findings: z.array(finding),
});
export type CheckResult = z.infer<typeof checkResult>;

/** A measured value with its unit as people write it, to two decimals: "1.6 mm", "45°". */
export function measuredWords(value: number, of: CheckResult['unit']): string {
  // Minutes are rounded up, as they are everywhere else.
  const shown = of === 'min' ? Math.ceil(Math.round(100 * value) / 100) : Math.round(value * 100) / 100;
  return `${formatNumber(shown)}${of === '°' || of === '' ? '' : ' '}${of}`;
}

/** What a part is, whatever its limits. */
export const partFacts = z.strictObject({
  sizeMm: z.tuple([z.number(), z.number(), z.number()]),
  volumeMm3: z.number(),
  areaMm2: z.number(),
  triangles: z.number().int(),
  bodies: z.number().int(),
});
export type PartFacts = z.infer<typeof partFacts>;

/** All checks of one part against one limits card. */
export const inspection = z.strictObject({ verdict, part: partFacts, checks: z.array(checkResult) });
export type Inspection = z.infer<typeof inspection>;
