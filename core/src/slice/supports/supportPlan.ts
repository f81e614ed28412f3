import type { Region } from '../../plane/index.ts';
import type { HangingFaces, SolidMesh } from '../../mesh/index.ts';
import type { Area, Kernel } from '../../solid/index.ts';
import type { Path, SupportNotes } from '../paths/toolpath.ts';
import type { PrintSettings, SupportSettings } from '../settings/printSettings.ts';
import { branches } from './branches.ts';
import { closedIn } from './closedIn.ts';
import { columns } from './columns.ts';
import { hangingAreas, type LayerSection } from './hangingAreas.ts';
import { heldLayers, reachOf, type HeldLayer } from './heldLayer.ts';
import { KeepAway } from './keepAway.ts';
import { standing } from './standing.ts';
import { supportPaths } from './supportPaths.ts';
import type { SupportShape } from './supportShape.ts';
import { unheldPlaces } from './unheld.ts';

/** What the supports of a part are planned from. */
export interface SupportedPart {
  readonly kernel: Kernel;
  readonly mesh: SolidMesh;
  readonly hanging: readonly HangingFaces[];
  /** Its layers, from the plate upwards; equal sections are one and the same area. */
  readonly layers: readonly LayerSection[];
  /** What it covers, seen from above. */
  readonly shadow: Area;
}

/** The supports of a part, layer by layer. */
export class SupportPlan {
  /** What supports cover on the plate; undefined where none stand on it. */
  readonly foot: Area | undefined;
  readonly #part: SupportedPart;
  /** What hangs in each layer. */
  readonly #hanging: readonly (Area | undefined)[];
  readonly #shapes: readonly (SupportShape | undefined)[];
  readonly #held: readonly HeldLayer[];
  readonly #settings: PrintSettings & { readonly supports: SupportSettings };
  /** Lines that several layers have, by what they cover and what of that is dense. */
  readonly #kept = new Map<SupportShape, Map<Area | undefined, Path[]>>();

  constructor(part: SupportedPart, settings: PrintSettings & { readonly supports: SupportSettings }) {
    this.#settings = settings;
    const { kernel, mesh, layers, shadow } = part;
    const { supports } = settings;
    this.#part = part;
    this.#hanging = hangingAreas(kernel, mesh, part.hanging, layers);
    this.#held = heldLayers(this.#hanging, shadow, supports);
    this.#shapes = planned(part, this.#held, supports);
    const [lowest] = this.#shapes;
    this.foot = lowest && withFoot(lowest.area(), layers[0].area, shadow, supports);
  }

  /** What somebody who looks at the part should know of its supports. */
  notes(): SupportNotes {
    const { kernel, layers } = this.#part;
    return {
      unheld: unheldPlaces(layers, this.#hanging, this.#shapes, this.#settings.supports.gapLayers),
      closedIn: closedIn(kernel, layers, this.#shapes),
    };
  }

  /** The lines of the supports in a layer. */
  pathsOf(index: number): readonly Path[] {
    const shape = this.#shapes[index];
    if (!shape) return [];
    const { lineWidthMm, supports } = this.#settings;
    const lines = { lineWidthMm, share: supports.share };
    const { dense } = this.#held[index];
    if (index === 0) return supportPaths({ area: this.foot, dense, stems: [] }, true, lines);
    let byDense = this.#kept.get(shape);
    if (!byDense) this.#kept.set(shape, (byDense = new Map()));
    let paths = byDense.get(dense);
    if (!paths) {
      const { solid: area, stems } = shape;
      byDense.set(dense, (paths = supportPaths({ area, dense, stems }, false, lines)));
    }
    return paths;
  }
}

function planned(
  { kernel, layers, shadow }: SupportedPart,
  held: readonly HeldLayer[],
  supports: SupportSettings,
): (SupportShape | undefined)[] {
  const keepAway = new KeepAway(layers, supports);
  const makesArea = (outlines: Region) => shadow.made(kernel, outlines);
  const shapes =
    supports.form === 'columns'
      ? columns(held, keepAway, makesArea)
      : branches(kernel, held, layers, keepAway, reachOf(shadow), makesArea);
  return supports.stand === 'plate' ? shapes : standing(shapes, layers, supports.gapLayers);
}

/** How far supports reach beyond what the part covers at the most, mm: so much more room the part needs on a plate. */
export const SUPPORTS_BEYOND_MM = 1.3;

/** A support as it stands on the plate: wider, and no nearer to the part. */
function withFoot(area: Area, part: Area, shadow: Area, { footMm, gapMm }: SupportSettings): Area {
  return area.grown(footMm).without(part.grown(gapMm)).and(shadow.grown(SUPPORTS_BEYOND_MM)).with(area);
}
