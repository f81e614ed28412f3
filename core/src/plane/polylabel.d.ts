/** The package has no types of its own. */
declare module 'polylabel' {
  /** The middle of the largest circle in a polygon with openings, and how large its radius is, to within `precision`. */
  export default function polylabel(
    polygon: readonly (readonly (readonly [number, number])[])[],
    precision?: number,
  ): [number, number] & { distance: number };
}
