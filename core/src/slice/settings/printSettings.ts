import * as z from 'zod';

const positive = z.number().positive().max(1000);
const coordinate = z.number().min(-1000).max(1000);
const acceleration = z.number().min(10).max(20_000);

/** Where lines around an outline begin: where it shows least, at the back, or in each layer somewhere else. */
export const seams = ['hidden', 'behind', 'spread'] as const;
export type Seam = (typeof seams)[number];

/** The ways to fill the inside. */
export const infillWays = ['lines', 'outline', 'honeycomb', 'waves'] as const;

/** What supports may stand on: the plate alone, or also the part. */
export const supportStands = ['plate', 'part'] as const;
/** How supports go down: straight, or leaning towards each other until they join. */
export const supportForms = ['columns', 'branches'] as const;

/** How what hangs is held from below while it is printed. */
export const supportSettings = z.strictObject({
  stand: z.enum(supportStands).default('plate'),
  form: z.enum(supportForms).default('columns'),
  /** How many layers are left out between a support and the part above or below it, so that it comes off. */
  gapLayers: z.number().int().min(0).max(5).default(1),
  /** How far a support stays away from the part beside it. */
  gapMm: z.number().min(0.2).max(3).default(0.5),
  /** The share of a support that is filled, 0 to 1. */
  share: z.number().min(0.05).max(1).default(0.2),
  /** How many layers of a support are laid densely under what it holds. */
  denseLayers: z.number().int().min(0).max(10).default(2),
  /** How far a support is widened on the plate, so that it stays there. */
  footMm: z.number().min(0).max(3).default(1),
});
export type SupportSettings = z.infer<typeof supportSettings>;

/** How a part is printed. The defaults are for an ordinary classroom printer with PLA. */
export const printSettings = z.strictObject({
  layerMm: positive.default(0.2),
  firstLayerMm: positive.default(0.2),
  /** The finest and the thickest layer of a part whose layers adapt to its slopes; null where all are alike. */
  adaptLayersMm: z.tuple([positive, positive]).nullable().default(null),
  lineWidthMm: positive.default(0.45),
  /** How many lines go around each outline. */
  wallLines: z.number().int().min(1).max(10).default(2),
  /** Where lines around an outline begin. */
  seam: z.enum(seams).default('hidden'),
  /** A place that somebody marked: lines begin where they are nearest to it, whatever else is said. */
  seamAtMm: z.tuple([coordinate, coordinate]).nullable().default(null),
  /** How far the rim of a hole is laid outside of where it was drawn, since plastic is drawn inwards around it. */
  holeGrowthMm: z.number().min(0).max(1).default(0),
  /** How far the first layer is laid within its outline, since it is pressed wider. */
  firstLayerInsetMm: z.number().min(0).max(1).default(0),
  /** How many layers are closed below and above every surface that is seen. */
  closedLayers: z.number().int().min(0).max(20).default(3),
  /** Whether the nozzle goes once more over faces that are seen from above, so that they come out smooth. */
  smoothsTops: z.boolean().default(false),
  /** The share of the inside that is filled, 0 to 1. */
  infillShare: z.number().min(0).max(1).default(0.2),
  /** How the inside is filled: straight lines, lines along the outline, six-sided cells, or waves. */
  infillWay: z.enum(infillWays).default('lines'),
  /** In how many directions each layer of the inside is filled with straight lines. */
  infillDirections: z.union([z.literal(1), z.literal(2), z.literal(3)]).default(1),
  /** The plate, left to right and front to back. */
  plateMm: z.tuple([positive, positive]).default([220, 200]),
  /** Whether the plate is the disc that lies in that rectangle. */
  isPlateRound: z.boolean().default(false),
  /** How high the nozzle can rise. */
  heightMm: positive.default(200),
  /** How many lines go around the part without touching it, so that the plastic flows when the part begins. */
  skirtLines: z.number().int().min(0).max(10).default(1),
  skirtGapMm: z.number().min(0).max(50).default(3),
  /** Whether the parts of a plate are printed one after another, where their colours allow it, and not layer by layer. */
  isOneByOne: z.boolean().default(false),
  /** How far the first layer is widened, so that a slender part stays on the plate. */
  brimMm: z.number().min(0).max(30).default(0),
  /** How what hangs is held; null where nothing is. */
  supports: supportSettings.nullable().default(null),
  /** The heights at which the print stops for filament of another colour, from below. */
  colourChangesMm: z.array(positive).max(12).default([]),
  /**
   * The place on the printer that each colour comes from, from below; none where a person changes the filament. Between
   * colours from two places the printer changes by itself.
   */
  colourPlaces: z.array(z.number().int().min(0).max(7)).max(13).default([]),
  /** How much filament the printer pushes out at each change that it makes by itself. */
  purgeMm: z.number().min(0).max(500).default(0),
  filamentDiameterMm: positive.default(1.75),
  filamentGramsPerCm3: positive.default(1.24),
  nozzleC: z.number().min(0).max(350).default(210),
  bedC: z.number().min(0).max(150).default(60),
  /** How warm the chamber is kept, where there is one. */
  chamberC: z.number().min(0).max(120).default(0),
  /** How hard the fan blows, 0 to 1, and for how many layers from below it stands still. */
  fanShare: z.number().min(0).max(1).default(1),
  stillLayers: z.number().int().min(0).max(20).default(2),
  /** How hard it blows while open air is spanned. */
  spanFanShare: z.number().min(0).max(1).default(1),
  /** How much filament is pushed, as a share of what the lines are of. */
  flow: z.number().min(0.5).max(1.5).default(1),
  firstLayerMmPerS: positive.default(20),
  wallMmPerS: positive.default(40),
  infillMmPerS: positive.default(60),
  spanMmPerS: positive.default(25),
  travelMmPerS: positive.default(120),
  /** How fast speeds may change, by what is moved; see `planner.ts`. */
  firstLayerMmPerS2: acceleration.default(500),
  wallMmPerS2: acceleration.default(800),
  infillMmPerS2: acceleration.default(1200),
  travelMmPerS2: acceleration.default(1500),
  /** How far the circle of a corner that is taken at speed may stay away from the corner. */
  cornerDeviationMm: positive.default(0.02),
  retractMm: z.number().min(0).max(20).default(0.8),
  retractMmPerS: positive.default(35),
  retractMmPerS2: acceleration.default(1500),
  /** How far the nozzle rises while the filament is drawn back, so that it touches nothing on its way. */
  hopMm: z.number().min(0).max(5).default(0),
  liftMmPerS: positive.default(10),
  liftMmPerS2: acceleration.default(1500),
  /** What the printer takes before a print beside warming up, as for levelling its plate. */
  readyS: z.number().min(0).max(600).default(0),
  /** A layer that would be done sooner is printed more slowly, so that it is hard before the next one comes. */
  minLayerS: z.number().min(0).max(120).default(8),
  /** Slower than this nothing is printed for that. */
  slowestMmPerS: positive.default(10),
});
export type PrintSettings = z.infer<typeof printSettings>;

/** The settings of an ordinary classroom print. */
export const everydaySettings: PrintSettings = printSettings.parse({});
