import type { SupportMark } from '@kelbrin/core/inspect';
import type { Vec3 } from '@kelbrin/core/mesh';

/** Marks with one more, at a place that is kept to hundredths of a millimetre. */
export function withMark(
  marks: readonly SupportMark[],
  at: Vec3,
  wish: SupportMark['wish'],
): readonly SupportMark[] {
  const rounded = at.map((mm) => Math.round(100 * mm) / 100) as SupportMark['at'];
  return [...marks, { at: rounded, wish }];
}
