import type { Box } from '../../mesh/solidMesh.ts';
import type { Target } from '../placement.ts';
import type { FieldPath, SentenceContext, Token } from '../sentence.ts';

/** A closed outline of x, y points in mm; the last point joins the first. */
export type Outline = [number, number][];

/** An area bounded by outlines: counter-clockwise ones add, clockwise ones are its openings. */
export type Region = Outline[];

/**
 * What a step may ask of the geometry, so that steps are written without knowing the kernel behind it. `Body` is the
 * kernel's own idea of a solid; a step only passes it on.
 */
export interface BuildKit<Body> {
  /** A rectangle centred on the origin with rounded corners. */
  roundedRectangle(widthMm: number, depthMm: number, cornerMm: number): Region;
  /** A circle centred on the origin, its corners on the true circle. */
  circle(diameterMm: number): Region;
  /** Letters of the given capital height as real outlines, starting at the origin. Throws for signs the font lacks. */
  letters(words: string, capHeightMm: number): Region;
  /** The region moved by dx, dy and raised from z = `fromMm` to `toMm`. */
  prism(region: Region, at: readonly [number, number], fromMm: number, toMm: number): Body;
  /** The box of what an earlier step made, before any later cut; undefined for the plate. */
  boxOf(target: Target): Box | undefined;
  /** The box of the part as it stands before this step, or undefined while there is nothing. */
  partBox(): Box | undefined;
  /** Ends the evaluation with a sentence about one field of the step. */
  fail(path: FieldPath, message: string): never;
}

/** What a step does to the part. */
export interface Material<Body> {
  readonly effect: 'add' | 'cut';
  readonly body: Body;
}

/**
 * A kind of step: one file that says what its fields are, how it reads and how it builds.
 * The bench, the worker and the command know kinds of step by this interface alone.
 */
export interface StepKind<Step extends { id: string; kind: string }> {
  readonly kind: Step['kind'];
  /** What it is called where a step is added: "Cut a hole". */
  readonly label: string;
  /** A new step with sensible sizes, placed on the given earlier step if there is one. */
  create(id: string, on?: string): Step;
  sentence(step: Step, context: SentenceContext): Token[];
  /** The earlier steps that this one is placed on. */
  references(step: Step): string[];
  build<Body>(step: Step, kit: BuildKit<Body>): Material<Body>;
}

/** The least and greatest x and y of a region; zero for an empty one. */
export function extentOf(region: Region): {
  x: { low: number; high: number };
  y: { low: number; high: number };
} {
  const x = { low: Infinity, high: -Infinity };
  const y = { low: Infinity, high: -Infinity };
  for (const outline of region) {
    for (const [px, py] of outline) {
      x.low = Math.min(x.low, px);
      x.high = Math.max(x.high, px);
      y.low = Math.min(y.low, py);
      y.high = Math.max(y.high, py);
    }
  }
  if (x.low > x.high) return { x: { low: 0, high: 0 }, y: { low: 0, high: 0 } };
  return { x, y };
}
