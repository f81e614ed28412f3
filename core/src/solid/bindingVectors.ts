import type { ManifoldToplevel } from 'manifold-3d';

/** A list on the kernel's side of the binding; it has to be deleted there. */
interface BoundVector {
  delete(): void;
  isDeleted(): boolean;
}
type Call = (this: unknown, ...args: unknown[]) => unknown;

/**
 * Mends the kernel's binding, which forgets to delete the lists in which it hands corners from one of its own calls to another.
 * Each call that does so is wrapped, and the lists that were made in it are deleted when it ends.
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
  const { Vector_vec2: Outline, CrossSection } = bound;
  bound.Vector_vec2 = noted(() => new (Outline as unknown as new () => BoundVector)()) as typeof Outline;
  // Sections have the prototype of the class behind the one that is called.
  const section = Object.getPrototypeOf(CrossSection.prototype) as Record<string, Call>;
  section._ToPolygons = noted(section._ToPolygons);

  const sections = CrossSection as unknown as Record<string, Call>;
  sections.hull = tidied(sections.hull);
  for (const name of ['extrude', 'revolve']) section[name] = tidied(section[name]);
}
