import type { Box, Vec3 } from '@kelbrin/core/mesh';
import type { Axis } from '@kelbrin/core/recipe';
import type { Outlook, Px } from '../../ui/solidView/outlook';

/** An edge of a box along an axis: its two ends in the room and on the view, the low one first. */
export interface BoxEdge {
  readonly ends: readonly [Vec3, Vec3];
  readonly px: readonly [Px, Px];
  /** To which hand of the way from the low end to the high one the box does not lie: 1 for the left, −1 for the right. */
  readonly outwards: 1 | -1;
}

const axes = ['x', 'y', 'z'] as const;
/** Edges that are as far out as another but for this go by where they are easier to read, px. */
const AS_FAR_PX = 6;

/**
 * The edge of a box along an axis beside which its length is written: the one that is farthest from the middle of the box as it
 * is seen, so that nothing of the box lies under the figure; of two that are as far, the lower one. Undefined where the box is
 * not wholly in sight.
 */
export function outerEdge(box: Box, axis: Axis, outlook: Outlook): BoxEdge | undefined {
  const a = axes.indexOf(axis);
  const others = [0, 1, 2].filter((i) => i !== a);
  const centre = outlook.pxOf(middleOf(box));
  if (!centre) return undefined;
  const edges = [0, 1, 2, 3].flatMap((which): (BoxEdge & { awayPx: number; y: number })[] => {
    const end = (at: number): Vec3 => {
      const place = [0, 0, 0];
      place[a] = at;
      place[others[0]] = which % 2 === 0 ? box.min[others[0]] : box.max[others[0]];
      place[others[1]] = which < 2 ? box.min[others[1]] : box.max[others[1]];
      return [place[0], place[1], place[2]];
    };
    const ends = [end(box.min[a]), end(box.max[a])] as const;
    const [low, high] = ends.map((place) => outlook.pxOf(place));
    if (!low || !high) return [];
    const [dx, dy] = [high[0] - low[0], high[1] - low[1]];
    const long = Math.hypot(dx, dy) || 1;
    // How far the middle lies to the right hand of the edge, which on a view with y downwards is a positive cross product.
    const right = (dx * (centre[1] - low[1]) - dy * (centre[0] - low[0])) / long;
    return [
      {
        ends,
        px: [low, high],
        outwards: right >= 0 ? 1 : -1,
        awayPx: Math.abs(right),
        y: (low[1] + high[1]) / 2,
      },
    ];
  });
  if (edges.length < 4) return undefined;
  const far = Math.max(...edges.map(({ awayPx }) => awayPx));
  return edges.filter(({ awayPx }) => awayPx > far - AS_FAR_PX).toSorted((p, q) => q.y - p.y)[0];
}

function middleOf({ min, max }: Box): Vec3 {
  return [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2, (min[2] + max[2]) / 2];
}
