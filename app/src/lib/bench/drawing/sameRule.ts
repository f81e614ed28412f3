import { namedBy, type Rule } from '@kelbrin/core/recipe';

/** Whether two rules ask the same of the same points and edges, whatever their numbers. */
export function sameRule(one: Rule, other: Rule): boolean {
  if (one.kind !== other.kind) return false;
  if ('measured' in one && 'measured' in other && one.measured !== other.measured) return false;
  // The middle one of three points is that of the angle.
  if (one.kind === 'angle' && other.kind === 'angle' && one.points[1] !== other.points[1]) return false;
  return names(one) === names(other);
}

function names(rule: Rule): string {
  const { points, edges } = namedBy(rule);
  return `${points.sort().join()} ${edges.sort().join()}`;
}
