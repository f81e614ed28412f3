import type { CrossSection, Manifold } from 'manifold-3d';
import { segmentsFor, type Region } from '../plane/index.ts';
import type { SolidMesh } from '../mesh/index.ts';
import type { Kernel } from './kernel.ts';
import type { Scope } from './scope.ts';
import { fromMesh } from './toMesh.ts';

/**
 * A flat area with openings, held in the kernel for the length of a scope: what a section through a solid is, and
 * what a slicer shrinks, overlaps and fills.
 */
export class Area {
  readonly #section: CrossSection;
  readonly #scope: Scope;
  /** Handed over by the kernel corner by corner, so only once. */
  #outlines: Region | undefined;

  /** The section must be kept by a scope that outlives the area. */
  private constructor(scope: Scope, section: CrossSection) {
    this.#scope = scope;
    this.#section = section;
  }

  /** Takes a section into a scope. */
  static kept(scope: Scope, section: CrossSection): Area {
    return new Area(scope, scope.keep(section));
  }

  /** The same area, whose results live as long as the given scope instead. */
  in(scope: Scope): Area {
    const area = new Area(scope, this.#section);
    area.#outlines = this.#outlines;
    return area;
  }

  /** An area of outlines that may overlap, in the same scope. */
  made(kernel: Kernel, outlines: Region): Area {
    return this.#made(new kernel.CrossSection(outlines as [number, number][][], 'NonZero'));
  }

  /** Grown outwards by `mm`, or shrunk where it is negative; outer corners are rounded, or sharp if they are no sharper than 60°. */
  grown(mm: number, corners: 'round' | 'sharp' = 'round'): Area {
    return this.#made(
      this.#section.offset(mm, corners === 'round' ? 'Round' : 'Miter', 2, segmentsFor(Math.abs(mm))),
    );
  }

  /** What lies in either of the areas. */
  with(other: Area): Area {
    return this.#made(this.#section.add(other.#section));
  }

  /** What lies in both areas. */
  and(other: Area): Area {
    return this.#made(this.#section.intersect(other.#section));
  }

  /** What lies in this area but not in the other. */
  without(other: Area): Area {
    return this.#made(this.#section.subtract(other.#section));
  }

  /** The pieces that do not hang together, each with its openings. */
  pieces(): Area[] {
    return this.#section.decompose().map((piece) => this.#made(piece));
  }

  /** The area with corners removed that stray less than `mm` from a straight line. */
  simplified(mm: number): Area {
    return this.#made(this.#section.simplify(mm));
  }

  isEmpty(): boolean {
    return this.#section.isEmpty();
  }

  /** Its size in mm². */
  mm2(): number {
    return this.#section.area();
  }

  /** Its outlines: counter-clockwise around material, clockwise around openings. */
  outlines(): Region {
    return (this.#outlines ??= this.#section.toPolygons() as Region);
  }

  #made(section: CrossSection): Area {
    return Area.kept(this.#scope, section);
  }
}

/** A solid that can be cut across at any height. */
export class Sections {
  readonly #solid: Manifold;

  /** Throws an error with a plain sentence if the mesh is not a closed solid. */
  constructor(kernel: Kernel, scope: Scope, mesh: SolidMesh) {
    this.#solid = fromMesh(kernel, scope, mesh);
  }

  /** What the solid covers, seen from above; it lives as long as the given scope. */
  shadow(scope: Scope): Area {
    return Area.kept(scope, this.#solid.project());
  }

  /** The true section at a height above the plate; it lives as long as the given scope. */
  at(scope: Scope, zMm: number): Area {
    return Area.kept(scope, this.#solid.slice(zMm));
  }
}
