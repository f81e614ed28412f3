import * as z from 'zod';
import type { Region } from '../../plane/index.ts';
import { formatNumber, length, type Resolved } from '../amount.ts';
import { clause, millimetres, oneOf, text, type Addition, type Token } from '../sentence.ts';
import { withCorners } from './corners.ts';
import { sideLevels } from './edgeFinish.ts';
import type { BuildKit } from './stepKind.ts';
import { say } from '../../words/index.ts';

/** What is done to the edges of a box: to all twelve, the four that stand, or the four around its top. */
export const boxEdges = z.strictObject({
  which: z.enum(['all', 'upright', 'top']),
  finish: z.enum(['round', 'chamfer']),
  mm: length(0.05, 100),
});
type BoxEdges = z.infer<typeof boxEdges>;

interface Box {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly heightMm: number;
  readonly edges?: Resolved<BoxEdges>;
}

/** ", all edges rounded 2 mm". */
export function boxEdgeTokens(edges: BoxEdges | undefined): Token[] {
  if (!edges) return [];
  const path = ['solid', 'edges'];
  return clause(
    [
      text(','),
      oneOf([...path, 'which'], 'which edges', edges.which, {
        all: 'all edges',
        upright: 'upright edges',
        top: 'edges around its top',
      }),
      oneOf([...path, 'finish'], 'what is done to the edges', edges.finish, {
        round: 'rounded',
        chamfer: 'cut off',
      }),
      millimetres([...path, 'mm'], edges.mm, 'size at the edges', { min: 0.05, max: 100 }),
    ],
    path,
    'Leave its edges sharp',
  );
}

/** The offers to ease the edges of a box. */
export function boxAdditions(edges: BoxEdges | undefined): Addition[] {
  if (edges) return [];
  const path = ['solid', 'edges'];
  return [
    { label: say('round its edges'), path, value: { which: 'all', finish: 'round', mm: 1 } },
    { label: say('cut its edges off'), path, value: { which: 'all', finish: 'chamfer', mm: 1 } },
  ];
}

/** A box about the z axis, standing on the plate, with its edges as they are wanted. */
export function boxWithEdges<Body>(box: Box, kit: BuildKit<Body>): Body {
  const { widthMm, depthMm, heightMm, edges } = box;
  const [x, y] = [widthMm / 2, depthMm / 2];
  const sharp: Region = [[[-x, -y], [x, -y], [x, y], [-x, y]]]; // oxfmt-ignore
  if (!edges) return kit.stack(sharp, sideLevels(kit, sharp, { heightMm, taperDeg: 0 }));
  const { which, finish, mm } = edges;
  const most = largestOf(box, which);
  if (mm > most + 1e-9) {
    return kit.fail(
      ['solid', 'edges', 'mm'],
      say('The largest size that fits these edges is {most} mm.', { most: formatNumber(most) }),
    );
  }
  const isUpright = which !== 'top';
  const shape = { shape: 'points' } as const;
  const region = isUpright ? withCorners(sharp, [{ which: 'all', finish, mm }], shape, kit).region : sharp;
  const end = { finish: finish === 'round' ? 'fillet' : 'chamfer', mm } as const;
  return kit.stack(
    region,
    sideLevels(kit, region, {
      heightMm,
      taperDeg: 0,
      top: which === 'upright' ? undefined : end,
      bottom: which === 'all' ? end : undefined,
    }),
  );
}

/** What must be left between two edges where a face between them is to stay, mm. */
const FACE_MM = 0.02;

/** The largest size for edges, to a hundredth of a millimetre. */
function largestOf({ widthMm, depthMm, heightMm }: Box, which: BoxEdges['which']): number {
  const across = Math.min(widthMm, depthMm) / 2;
  const most = {
    upright: across,
    top: Math.min(across - FACE_MM, heightMm),
    all: Math.min(across - FACE_MM, heightMm / 2),
  };
  return Math.floor(100 * most[which] + 1e-6) / 100;
}
