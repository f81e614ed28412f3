import * as z from 'zod';
import { material } from '../../machine/index.ts';
import { classroomPrinter, type Unit } from '../../recipe/index.ts';
import { CURRENCY } from '../result/inWords.ts';
import { said, say } from '../../words/index.ts';

const positive = z.number().positive().max(10_000);

/** How much wider than an object its hole is drawn; less than nothing for a press fit in soft plastic. */
const allowance = z.number().min(-1).max(5);

/** How a number of the card is shown to people: in which group, in what it counts, and what it is called. */
export interface ShownLimit {
  readonly group: 'printer' | 'makes' | 'plastic' | 'allows';
  /** An area and a ratio count in nothing that is typed behind a number. */
  readonly unit: Unit | 'mm²';
  readonly label: string;
}

/** How the numbers of a card are shown, by their schemas. */
export const shownLimits = z.registry<{
  readonly group: ShownLimit['group'];
  readonly unit: ShownLimit['unit'];
  readonly words: Pick<ShownLimit, 'label'>;
}>();

/** A number of the card, with how it is shown. */
function limit<Schema extends z.ZodType>(
  schema: Schema,
  group: ShownLimit['group'],
  unit: ShownLimit['unit'],
  words: Pick<ShownLimit, 'label'>,
): Schema {
  shownLimits.add(schema, { group, unit, words });
  return schema;
}

/**
 * A limits card: what a printer can make and what the class allows. Fields that are left out take the values of an
 * ordinary classroom printer with a 0.4 mm nozzle; unknown fields are refused, so that a misspelt one is noticed. Numbers
 * are shown in this order.
 */
export const limitsCard = z.strictObject({
  /** Usable space, left to right, front to back, and up. */
  buildVolumeMm: z
    .tuple([
      limit(positive.clone(), 'printer', 'mm', said({ label: 'Usable width' })),
      limit(positive.clone(), 'printer', 'mm', said({ label: 'Usable depth' })),
      limit(positive.clone(), 'printer', 'mm', said({ label: 'Usable height' })),
    ])
    .default([220, 200, 180]),
  nozzleMm: limit(positive.default(0.4), 'printer', 'mm', said({ label: 'Nozzle' })),
  lineWidthMm: limit(positive.default(0.45), 'printer', 'mm', said({ label: 'Line width' })),
  /** The layer height that parts are inspected and estimated for. */
  layerMm: limit(positive.default(0.2), 'printer', 'mm', said({ label: 'Layer height' })),
  /** The layer heights that may be chosen for a print, from the finest. */
  layerHeightsMm: z
    .array(
      z
        .number({ error: () => say('say them as numbers, such as 0.15, 0.2') })
        .positive({ error: () => say('a layer is higher than 0') })
        .max(2, { error: () => say('a layer is at most 2 mm high') }),
    )
    .min(1, { error: () => say('allow at least one') })
    .max(6, { error: () => say('allow at most six') })
    .transform((heights) => [...new Set(heights)].sort((a, b) => a - b))
    .default([0.15, 0.2, 0.3]),
  minWallMm: limit(positive.default(0.9), 'makes', 'mm', said({ label: 'Thinnest wall' })),
  minHoleMm: limit(positive.default(2), 'makes', 'mm', said({ label: 'Smallest hole' })),
  minGapMm: limit(positive.default(0.4), 'makes', 'mm', said({ label: 'Narrowest gap' })),
  minReliefMm: limit(positive.default(0.6), 'makes', 'mm', said({ label: 'Lowest letters and shapes' })),
  /** The steepest a face may lean with nothing under it: 0° is a wall, 90° a ceiling. */
  maxOverhangDeg: limit(
    z.number().min(0).max(90).default(45),
    'makes',
    '°',
    said({ label: 'Steepest overhang' }),
  ),
  maxBridgeMm: limit(positive.default(10), 'makes', 'mm', said({ label: 'Longest bridge' })),
  /** The least area that must touch the plate for the part to stay on it. */
  minBaseMm2: limit(positive.default(50), 'makes', 'mm²', said({ label: 'Smallest area on the plate' })),
  /** Height over narrowest width, above which a thing is knocked off. */
  maxSlenderness: limit(
    positive.default(5),
    'makes',
    '',
    said({ label: 'Tallest, as a multiple of its width' }),
  ),
  /** What supports may stand on, for parts whose brief lets them be held: nothing, the plate alone, or also the part. */
  supports: z.enum(['none', 'plate', 'part']).default('none'),
  /** What is printed with, as it says on the spool. */
  material: z.string().trim().min(1).max(24).default('PLA'),
  /** What the school has noted of printing with it; left out where ordinary values hold. */
  filament: material.optional(),
  maxMinutes: limit(positive.default(120), 'allows', 'min', said({ label: 'Longest print' })),
  maxGrams: limit(positive.default(60), 'allows', 'g', said({ label: 'Most filament' })),
  /** What a kilogram of filament costs, in the currency of that code (ISO 4217). */
  filamentPricePerKg: limit(
    z.number().min(0).max(10_000).default(20),
    'allows',
    '',
    said({ label: 'Price of 1 kg of filament' }),
  ),
  currency: z
    .string()
    .regex(CURRENCY, { error: () => say('write the currency as three capital letters, such as EUR') })
    .default('EUR'),
  /** By how much plastic shrinks as it cools, in per cent of a length. */
  shrinkagePercent: limit(
    z.number().min(0).max(10).default(classroomPrinter.shrinkagePercent),
    'plastic',
    '%',
    said({ label: 'Shrinkage' }),
  ),
  /** How much smaller across holes come out than they were drawn. */
  holesSmallerMm: limit(
    z.number().min(0).max(1).default(0),
    'plastic',
    'mm',
    said({ label: 'Holes come out smaller by' }),
  ),
  /** How far the first layer spreads on each side as it is pressed on the plate. */
  firstLayerSpreadMm: limit(
    z.number().min(0).max(1).default(0),
    'plastic',
    'mm',
    said({ label: 'First layer spreads by' }),
  ),
  /** What is added to the diameter of an object for the hole that it shall fit into. */
  fitAllowanceMm: z
    .strictObject({
      loose: limit(allowance.clone(), 'plastic', 'mm', said({ label: 'Added for a loose fit' })),
      sliding: limit(allowance.clone(), 'plastic', 'mm', said({ label: 'Added for a sliding fit' })),
      snug: limit(allowance.clone(), 'plastic', 'mm', said({ label: 'Added for a snug fit' })),
      press: limit(allowance.clone(), 'plastic', 'mm', said({ label: 'Added for a press fit' })),
    })
    .default({ ...classroomPrinter.fitAllowanceMm }),
});
export type LimitsCard = z.infer<typeof limitsCard>;

/** The card of an ordinary classroom printer. */
export const classroomLimits: LimitsCard = limitsCard.parse({});

/** The heights that every card allowed by itself once; the ways to print have others now. */
const HEIGHTS_BEFORE = [0.12, 0.2, 0.28];

/** A card as it was stored; one that allows just the heights of before allows those of today. */
function withHeightsOfToday(data: unknown): unknown {
  const heights = (data as { layerHeightsMm?: unknown } | null)?.layerHeightsMm;
  return JSON.stringify(heights) === JSON.stringify(HEIGHTS_BEFORE)
    ? { ...(data as object), layerHeightsMm: classroomLimits.layerHeightsMm }
    : data;
}

/**
 * Reads a limits card from untrusted data, with what older ones said migrated.
 * Returns the card, or one sentence that names the field and what is wrong with it.
 */
export function parseLimits(
  data: unknown,
): { ok: true; limits: LimitsCard } | { ok: false; message: string } {
  const parsed = limitsCard.safeParse(withHeightsOfToday(data));
  if (parsed.success) return { ok: true, limits: parsed.data };
  const { path, message } = parsed.error.issues[0];
  const where = path.length > 0 ? `${path.join(' › ')}: ` : '';
  return { ok: false, message: `${where}${message}` };
}
