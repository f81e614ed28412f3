import { isIntricate, pointsOf, type Region } from '../../plane/index.ts';
import type { RegionMath } from '../../solid/index.ts';
import { FormatError } from '../formatError.ts';
import { say } from '../../words/index.ts';

/** The arithmetic that a drawing needs. */
export type DrawingMath = Pick<RegionMath, 'filled' | 'joined' | 'without'>;

/** Regions that are joined at once: what overlaps becomes one before it meets the others. */
const AT_ONCE = 32;
/** How often edges may cross each other. What is drawn by hand or by a program for drawing stays far below it. */
const MOST_CROSSINGS = 60_000;
const MOST_COMPARED = 10_000_000;
/** How often white may lie on ink that lies on white: each time all that is under it is cut. */
const MOST_LAYERS = 40;

/** Paper on which areas are drawn over each other: ink adds to what is there, and white takes away. */
export class Sheet {
  readonly #math: DrawingMath;
  #drawn: Region = [];
  #pending: Region[] = [];
  #isPaper = false;
  #layers = 0;

  constructor(math: DrawingMath) {
    this.#math = math;
  }

  /** Draws what outlines enclose over all that was drawn before. */
  draw(outlines: Region, rule: 'nonzero' | 'evenodd', isPaper: boolean): void {
    if (isPaper !== this.#isPaper) {
      this.#settle();
      if (++this.#layers > MOST_LAYERS)
        throw new FormatError(say('the drawing lays white and black over each other too often'));
      this.#isPaper = isPaper;
    }
    demandPlain(outlines);
    this.#pending.push(this.#math.filled(outlines, rule));
  }

  /** All that is ink. */
  finished(): Region {
    this.#settle();
    return this.#drawn;
  }

  #settle(): void {
    const region = this.#united(this.#pending);
    this.#pending = [];
    if (region.length === 0) return;
    demandPlain([...this.#drawn, ...region]);
    this.#drawn = this.#isPaper
      ? this.#math.without(this.#drawn, region)
      : this.#united([this.#drawn, region]);
  }

  #united(regions: Region[]): Region {
    if (regions.length <= 1) return regions[0] ?? [];
    const joined: Region[] = [];
    for (let at = 0; at < regions.length; at += AT_ONCE) {
      const some = regions.slice(at, at + AT_ONCE);
      demandPlain(some.flat());
      joined.push(this.#math.joined(some));
    }
    return this.#united(joined);
  }
}

/** Throws where edges cross so often that working it out would take too long. */
function demandPlain(region: Region): void {
  if (pointsOf(region) < 300) return;
  if (isIntricate(region, { crossings: MOST_CROSSINGS, compared: MOST_COMPARED }))
    throw new FormatError(say('the drawing has lines that cross too often: simplify it first'));
}
