import { boundsOf, type HangingFaces, type SolidMesh } from '../mesh/index.ts';
import { signedAreaOf, type Region } from '../plane/index.ts';
import { Scope, Sections, type Area, type Kernel } from '../solid/index.ts';
import { adaptedHeights } from './layers/adaptedHeights.ts';
import { aroundPart } from './layers/aroundPart.ts';
import { bridgesOver, type Bridges } from './layers/bridges.ts';
import { fillLines } from './layers/fillLines.ts';
import { infillOf, infillTurn } from './layers/infill.ts';
import { smoothingOf } from './layers/smoothing.ts';
import { layerHeights } from './layers/layerHeights.ts';
import { filling } from './paths/lengths.ts';
import { pieceByPiece } from './paths/order.ts';
import { paced } from './motion/pace.ts';
import type { PrintSettings } from './settings/printSettings.ts';
import { SupportPlan } from './supports/supportPlan.ts';
import { fromSpreadSeam, SPREAD_TURNS, spreadsSeams } from './paths/seam.ts';
import { endOf, type Layer, type Path, type Toolpath } from './paths/toolpath.ts';
import { groundOf, withWayFrom, withWays, type Ground } from './paths/travel.ts';
import { sameRegion } from './layers/sameRegion.ts';
import { forTrueSizes } from './layers/trueSizes.ts';
import { wallsOf, type Walls } from './layers/walls.ts';

/** A corner that strays no further than this from the line between its neighbours is none. */
const STRAIGHT_MM = 0.005;
/** The share of a line by which fill reaches under the walls around it. */
const BOND = 0.15;
/** How far travels keep from the outline, in lines, and how roughly they follow it. */
const RIM = 0.35;
const ROUGH_MM = 0.08;

/**
 * Slices a closed solid that stands on the plate into toolpaths: lines along every outline of each layer's true
 * cross-section, solid fill where a surface is seen from above or below, bridges across gaps, and sparse fill inside.
 * Where the settings ask for supports, they hold the faces that are said to hang.
 *
 * @param isNoted whether it is to be said what supports do not hold and where they cannot be taken out, which a print of what
 *   was approved need not know
 *
 * Throws an error with a plain sentence if the mesh is not a solid.
 */
export function slice(
  kernel: Kernel,
  mesh: SolidMesh,
  settings: PrintSettings,
  hanging: readonly HangingFaces[] = [],
  isNoted = true,
): Toolpath {
  const steps = sliceInSteps(kernel, mesh, settings, hanging, isNoted);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/**
 * Like {@link slice}, a layer at a time, so that a host can stop in between; the number of the layer is handed out. The
 * kernel's memory is free again when it has ended, or was ended from outside.
 */
export function* sliceInSteps(
  kernel: Kernel,
  mesh: SolidMesh,
  settings: PrintSettings,
  hanging: readonly HangingFaces[] = [],
  isNoted = true,
): Generator<number, Toolpath> {
  const scope = new Scope();
  try {
    const solid = new Sections(kernel, scope, mesh);
    const topMm = boundsOf(mesh).max[2];
    const { adaptLayersMm } = settings;
    const heights = adaptLayersMm
      ? adaptedHeights(mesh, topMm, { ...settings, adaptLayersMm })
      : layerHeights(topMm, settings);
    const sections: Area[] = [];
    for (const [index, { zMm, thickMm }] of heights.entries()) {
      // Where a wall is made of triangles, a section has corners on its straight runs, at other places in each layer.
      const section = solid.at(scope, zMm - thickMm / 2).simplified(STRAIGHT_MM);
      sections.push(forTrueSizes(kernel, section, settings, index === 0));
      yield index;
    }
    const plan = new LayerPlan(kernel, scope, sections, settings);
    const supports =
      settings.supports && hanging.length > 0
        ? new SupportPlan(
            {
              kernel,
              mesh,
              hanging,
              layers: heights.map((height, index) => ({ ...height, area: plan.sectionOf(index) })),
              shadow: solid.shadow(scope),
            },
            { ...settings, supports: settings.supports },
          )
        : undefined;
    const layers: Layer[] = [];
    for (const [index, height] of heights.entries()) {
      const paths = [...plan.pathsOf(index, layers.at(-1)?.paths, supports)];
      layers.push(paced({ ...height, paths }, settings));
      yield index;
    }
    return { layers, ...(supports && isNoted ? { supports: supports.notes() } : {}) };
  } finally {
    scope.end();
  }
}

/** Sections that follow each other, by the numbers of the first and the last. */
interface Run {
  readonly first: number;
  readonly last: number;
}

/**
 * Plans the paths of all layers. Most layers of most parts have the same section as the one below, so sections are
 * told apart first, and whatever follows from a section, or from the set of sections around a layer, is computed once.
 */
class LayerPlan {
  /** The sections that differ. */
  readonly #areas: Area[] = [];
  /** Which of them each layer has. */
  readonly #areaOf: number[];
  readonly #kept = new Map<string, unknown>();
  readonly #kernel: Kernel;
  readonly #scope: Scope;
  readonly #settings: PrintSettings;

  constructor(kernel: Kernel, scope: Scope, sections: readonly Area[], settings: PrintSettings) {
    this.#kernel = kernel;
    this.#scope = scope;
    this.#settings = settings;
    this.#areaOf = sections.map((section) => {
      // Held against the section that is kept, and not the last one, so that small differences do not add up.
      const kept = this.#areas.at(-1);
      if (!kept || !sameRegion(section.outlines(), kept.outlines())) this.#areas.push(section);
      return this.#areas.length - 1;
    });
  }

  /** The section of a layer; those that are the same are one. */
  sectionOf(index: number): Area {
    return this.#areas[this.#areaOf[index]];
  }

  /**
   * The lines of one layer in the order in which they are laid: what goes around, then each piece, its walls first. What
   * of part and supports the layer below ended with comes first, so that the nozzle changes between them once a layer.
   *
   * @param below the lines of the layer below
   */
  pathsOf(index: number, below: readonly Path[] | undefined, supports: SupportPlan | undefined): Path[] {
    const own = this.#areaOf[index];
    const around = index === 0 ? this.#aroundAll(this.#areas[own], supports?.foot) : [];
    const within = this.#once(`paths ${this.#surroundings(index)}`, () =>
      withWays(
        [
          ...pieceByPiece(this.#wallPaths(index), this.#fill(index), this.#pieces(own)),
          ...this.#smoothing(index),
        ],
        this.#ground(own),
      ),
    );
    const held = supports?.pathsOf(index) ?? [];
    const last = below?.at(-1);
    if (last === undefined || around.length > 0) return [...around, ...held, ...within];
    if (last.role === 'support') return [...held, ...within];
    const [path, ...rest] = within;
    if (!path) return [...held];
    return [withWayFrom(endOf(last), path, this.#ground(own)), ...rest, ...held];
  }

  #aroundAll(part: Area, foot: Area | undefined): Path[] {
    return aroundPart(foot ? part.with(foot) : part, this.#settings);
  }

  #walls(own: number): Walls {
    return this.#once(`walls ${own}`, () => wallsOf(this.#areas[own], this.#settings));
  }

  /** The lines of a layer along its outlines; where their beginnings are spread each layer has them somewhere else. */
  #wallPaths(index: number): readonly Path[] {
    const { paths } = this.#walls(this.#areaOf[index]);
    if (!spreadsSeams(this.#settings)) return paths;
    return paths.map((path) =>
      path.closed ? { ...path, points: fromSpreadSeam(path.points, index % SPREAD_TURNS) } : path,
    );
  }

  /** The pieces that a section falls into. */
  #pieces(own: number): Region[] {
    const region = this.#areas[own].outlines();
    if (region.filter((outline) => signedAreaOf(outline) > 0).length === 1) return [region];
    return this.#once(`pieces ${own}`, () => this.#areas[own].pieces().map((piece) => piece.outlines()));
  }

  /** What tells whether two layers have the same paths: their sections, those around them and how their fill is turned. */
  #surroundings(index: number): string {
    const turn = infillTurn(this.#settings, index);
    const around = this.#around(index);
    const above = this.#settings.smoothsTops ? this.#areaOf[index + 1] : undefined;
    const sections = [this.#areaOf[index], this.#areaOf[index - 1], above, around?.first, around?.last];
    const seam = spreadsSeams(this.#settings) ? index % SPREAD_TURNS : 0;
    return [...sections, index % 2, turn, seam].join(' ');
  }

  #fill(index: number): Path[] {
    const { lineWidthMm, infillShare } = this.#settings;
    const own = this.#areaOf[index];
    const { inside } = this.#walls(own);
    if (inside.isEmpty()) return [];
    const around = this.#around(index);
    const covered = around && infillShare < 1 ? this.#covered(around) : undefined;
    const bridges = this.#bridges(own, this.#areaOf[index - 1] ?? own);
    const bare = bridges.covered.reduce((left, bridge) => left.without(bridge), this.#bonded(own));
    const solid = covered ? bare.without(covered) : bare;
    const lines = fillLines(solid.outlines(), index % 2 === 0 ? 45 : 135, lineWidthMm, 'closed');
    const paths = [...bridges.paths, ...filling(lines, solid.and(inside).mm2())];
    if (covered) {
      paths.push(...infillOf(bare.and(covered), this.#settings, infillTurn(this.#settings, index)));
    }
    return paths;
  }

  /** The lines that smooth what of a layer is open to the sky. */
  #smoothing(index: number): Path[] {
    if (!this.#settings.smoothsTops) return [];
    const { inside } = this.#walls(this.#areaOf[index]);
    const above = this.#areas[this.#areaOf[index + 1]] as Area | undefined;
    return inside.isEmpty() ? [] : smoothingOf(above ? inside.without(above) : inside);
  }

  /** What spans the air between what the layer below holds. */
  #bridges(own: number, below: number): Bridges {
    return this.#once(`bridges ${own} ${below}`, () =>
      own === below
        ? { paths: [], covered: [] }
        : bridgesOver(
            this.#kernel,
            this.#walls(own).inside,
            this.#areas[below].in(this.#scope),
            this.#settings,
          ),
    );
  }

  /** Where the nozzle may travel without crossing open air. */
  #ground(own: number): Ground {
    return this.#once(`ground ${own}`, () =>
      groundOf(
        this.#areas[own]
          .grown(-RIM * this.#settings.lineWidthMm)
          .simplified(ROUGH_MM)
          .outlines(),
      ),
    );
  }

  /** The area within the walls, and a little under the innermost line, so that fill and wall bond. */
  #bonded(own: number): Area {
    const { inside } = this.#walls(own);
    return this.#once(`bonded ${own}`, () => inside.grown(BOND * this.#settings.lineWidthMm));
  }

  /**
   * The area that has material in all sections of a run. Runs overlap from layer to layer, so each is put together of
   * two whose lengths are powers of two, and these of halves.
   */
  #covered({ first, last }: Run): Area {
    if (first === last) return this.#areas[first].in(this.#scope);
    return this.#once(`covered ${first} ${last}`, () => {
      const count = last - first + 1;
      const half = 2 ** (Math.ceil(Math.log2(count)) - 1);
      const [low, high] = [
        { first, last: first + half - 1 },
        { first: last - half + 1, last },
      ];
      return this.#covered(low).and(this.#covered(high));
    });
  }

  /** The different sections within the solid layers above and below; undefined near the top and the bottom. */
  #around(index: number): Run | undefined {
    const { closedLayers } = this.#settings;
    if (index - closedLayers < 0 || index + closedLayers >= this.#areaOf.length) return undefined;
    return { first: this.#areaOf[index - closedLayers], last: this.#areaOf[index + closedLayers] };
  }

  #once<T>(key: string, compute: () => T): T {
    if (!this.#kept.has(key)) this.#kept.set(key, compute());
    return this.#kept.get(key) as T;
  }
}
