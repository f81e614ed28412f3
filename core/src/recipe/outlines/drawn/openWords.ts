import type { Freedom } from '../../../drawing/index.ts';
import { say, sayList } from '../../../words/index.ts';

/** What rules leave open in a drawing, in words. */
export function openWords({ open, points, isWhole }: Freedom): string {
  if (open === 0) return say('All is set.');
  if (isWhole)
    return open === 3
      ? say('Its shape is set; its place and how it is turned are open.')
      : say('Its shape is set; its place is open.');
  const moving = points.flatMap((how, i) => (how === 'set' ? [] : [String(i + 1)]));
  if (moving.length === 0) return say('All points are set; an arc can still bend.');
  if (moving.length === points.length) return say('All points can still move.');
  if (moving.length === 1) return say('Point {point} can still move.', { point: moving[0] });
  return say('Points {points} can still move.', { points: sayList(moving) });
}
