import type { Vec3 } from '../../mesh/index.ts';

/** Lines of a file of ISO 10303-21, each entity once. */
export class Entities {
  readonly #lines: string[] = [];
  readonly #known = new Map<string, string>();

  /** Adds an entity and returns how others name it: `#12`. Entities of the same words are one. */
  add(words: string): string {
    const known = this.#known.get(words);
    if (known) return known;
    const name = this.addNew(words);
    this.#known.set(words, name);
    return name;
  }

  /** Adds an entity that is not the same as another of the same words. */
  addNew(words: string): string {
    const name = `#${this.#lines.length + 1}`;
    this.#lines.push(`${name}=${words};`);
    return name;
  }

  point(point: Vec3): string {
    return this.add(`CARTESIAN_POINT('',${listed(point.map(real))})`);
  }

  direction(way: Vec3): string {
    return this.add(`DIRECTION('',${listed(way.map(real))})`);
  }

  /** A place with its upright axis and the way to its right. */
  place(origin: Vec3, axis: Vec3, right: Vec3): string {
    return this.add(
      `AXIS2_PLACEMENT_3D('',${this.point(origin)},${this.direction(axis)},${this.direction(right)})`,
    );
  }

  toString(): string {
    return this.#lines.join('\n');
  }
}

export const listed = (names: readonly string[]): string => `(${names.join(',')})`;

/** A number as the standard wants it: with a point, and an exponent by E. */
export function real(value: number): string {
  const words = String(Number(value.toFixed(9)) + 0).toUpperCase();
  if (words.includes('E')) return words.includes('.') ? words : words.replace('E', '.E');
  return words.includes('.') ? words : `${words}.`;
}

/** Words as the standard quotes them: letters outside of ASCII by their numbers. */
export function quoted(words: string): string {
  const plain = words.replaceAll('\\', '\\\\').replaceAll("'", "''");
  const coded = plain.replaceAll(/[^ -~]+/gu, (run) => {
    const units = Array.from({ length: run.length }, (_, i) => run.charCodeAt(i));
    return `\\X2\\${units.map((each) => each.toString(16).toUpperCase().padStart(4, '0')).join('')}\\X0\\`;
  });
  return `'${coded}'`;
}
