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
import { supportPaths, type SupportLayer } from './supportPaths.ts';
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
  readonly notes: SupportNotes;
  readonly #layers: readonly (SupportLayer | undefined)[];
  readonly #settings: PrintSettings & { readonly supports: SupportSettings };
  readonly #kept = new Map<Area, Map<Area | undefined, Path[]>>();

  constructor(part: SupportedPart, settings: PrintSettings & { readonly supports: SupportSettings }) {
    this.#settings = settings;
    const { kernel, mesh, layers, shadow } = part;
    const { supports } = settings;
    const hanging = hangingAreas(kernel, mesh, part.hanging, layers);
    const held = heldLayers(hanging, shadow, supports);
    const areas = planned(part, held, supports);
    this.notes = {
      unheld: unheldPlaces(layers, hanging, areas, supports.gapLayers),
      closedIn: closedIn(kernel, layers, areas),
    };
    this.#layers = areas.map((area, index) => {
      if (!area) return undefined;
      const { dense } = held[index];
      const own = index === 0 ? withFoot(area, layers[0].area, shadow, supports) : area;
      return { area: own, dense: dense && dense.and(area) };
    });
  }

  /** What supports cover in a layer; undefined where none are. */
  areaAt(index: number): Area | undefined {
    return this.#layers[index]?.area;
  }

  /** The lines of the supports in a layer. */
  pathsOf(index: number): readonly Path[] {
    const layer = this.#layers[index];
    if (!layer) return [];
    const { lineWidthMm, supports } = this.#settings;
    const compute = () => supportPaths(layer, index === 0, { lineWidthMm, share: supports.share });
    if (index === 0) return compute();
    let byDense = this.#kept.get(layer.area);
    if (!byDense) this.#kept.set(layer.area, (byDense = new Map()));
    let paths = byDense.get(layer.dense);
    if (!paths) byDense.set(layer.dense, (paths = compute()));
    return paths;
  }
}

function planned(
  { kernel, layers, shadow }: SupportedPart,
  held: readonly HeldLayer[],
  supports: SupportSettings,
): (Area | undefined)[] {
  const keepAway = new KeepAway(layers, supports);
  const areas =
    supports.form === 'columns'
      ? columns(held, keepAway)
      : branches(kernel, held, layers, keepAway, reachOf(shadow));
  return supports.stand === 'plate' ? areas : standing(areas, layers, supports.gapLayers);
}

/** How far supports reach beyond what the part covers at the most, mm: so much more room the part needs on a plate. */
export const SUPPORTS_BEYOND_MM = 1.3;

/** A support as it stands on the plate: wider, and no nearer to the part. */
function withFoot(area: Area, part: Area, shadow: Area, { footMm, gapMm }: SupportSettings): Area {
  return area.grown(footMm).without(part.grown(gapMm)).and(shadow.grown(SUPPORTS_BEYOND_MM)).with(area);
}
