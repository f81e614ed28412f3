import type { ManifoldToplevel } from 'manifold-3d';

/** A list on the kernel's side of the binding; it has to be deleted there. */
interface BoundVector {
  delete(): void;
  isDeleted(): boolean;
}
type Call = (this: unknown, ...args: unknown[]) => unknown;

/**
 * Mends the kernel's binding, which hands polygons over in lists of its own and forgets to delete most of them: about
 * two kilobytes are lost with every section. Each call that takes or gives polygons is wrapped, and the lists that were
 * made in it are deleted when it ends.
 */
export function mendBindingVectors(kernel: ManifoldToplevel): void {
  const bound = kernel as unknown as Record<string, Call & { prototype: Record<string, Call> }>;
  const made: BoundVector[] = [];
  let depth = 0;
  /** The function, its result noted as a list to delete. */
  const noted = (make: Call): Call =>
    function (this: unknown, ...args) {
      const vector = make.apply(this, args) as BoundVector;
      if (depth > 0) made.push(vector);
      return vector;
    };
  /** The function, after which the lists made in it are deleted. */
  const tidied = (work: Call): Call =>
    function (this: unknown, ...args) {
      depth++;
      try {
        return work.apply(this, args);
      } finally {
        depth--;
        if (depth === 0) for (const vector of made.splice(0)) if (!vector.isDeleted()) vector.delete();
      }
    };
  const { Vector_vec2: Outline, Vector2_vec2: Outlines, CrossSection } = bound;
  const { Manifold } = bound as unknown as { Manifold: Record<string, Call> };

  bound.Vector_vec2 = noted(() => new (Outline as unknown as new () => BoundVector)()) as typeof Outline;
  Outlines.prototype.get = noted(Outlines.prototype.get);
  // Sections have the prototype of the class behind the one that is called.
  const section = Object.getPrototypeOf(CrossSection.prototype) as Record<string, Call>;
  section._ToPolygons = noted(section._ToPolygons);
  bound._Triangulate = noted(bound._Triangulate) as typeof Outline;

  const sections = CrossSection as unknown as Record<string, Call>;
  for (const name of ['ofPolygons', 'hull']) sections[name] = tidied(sections[name]);
  for (const name of ['toPolygons', 'extrude', 'revolve']) {
    section[name] = tidied(section[name]);
  }
  for (const name of ['extrude', 'revolve']) Manifold[name] = tidied(Manifold[name]);
  bound.triangulate = tidied(bound.triangulate) as typeof Outline;
}
