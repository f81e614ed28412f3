import type { SolidMesh } from '../mesh/index.ts';
import { putTogether } from './apart.ts';
import { ballCorners } from './ballCorner.ts';
import type { EdgeChain } from './edgeChains.ts';
import { edgePaths } from './edgePaths.ts';
import type { EdgeFinishing } from './finish.ts';
import { roomsMm } from './room.ts';
import type { Surface } from './surface.ts';
import { sweptTool } from './sweptTool.ts';

/** What finishes edges. */
export interface FinishedEdges {
  /** To be cut away where the part stands out, to be added where it goes in. */
  readonly tools: readonly SolidMesh[];
  /** The edges that have no room for the finish, and stay as they are. */
  readonly left: readonly EdgeChain[];
  /** The largest size that all of the edges have room for, mm; nothing where a slope cannot be. */
  readonly largestMm: number;
}

/**
 * A finish may be larger than its room by this share: a rounding that just uses up the curve of a corner is meant to, and
 * the curve's straight pieces have a little less room than the curve.
 */
const SAME_SIZE = 5e-3;
/** How far the straight pieces of a rounding may lie off it, mm, and how many there are at least. */
const CHORD_ERROR_MM = 0.004;
const FEWEST_DIVISIONS = 3;

/** The bodies that finish edges. All of these stand out, or all go in. */
export function finishedEdges(
  surface: Surface,
  chains: readonly EdgeChain[],
  finishing: EdgeFinishing,
): FinishedEdges {
  const wanted = edgePaths(surface, chains);
  const rooms = roomsMm(surface, wanted, finishing);
  const fits = (room: number) => room * (1 + SAME_SIZE) >= finishing.mm;
  const narrow = new Set(
    wanted.flatMap(({ edges }, i) =>
      fits(rooms[i]) ? [] : edges.flatMap((edge) => [edge, surface.opposite(edge)]),
    ),
  );
  const isLeft = ({ edges }: EdgeChain) => edges.some((edge) => narrow.has(edge));
  const left = chains.filter(isLeft);
  const finished = chains.filter((chain) => !isLeft(chain));
  const paths = left.length === 0 ? wanted : edgePaths(surface, finished);

  const widest = Math.max(0, ...paths.flatMap(({ pieces }) => pieces.map(({ turn }) => turn)));
  const eachTurn = 2 * Math.acos(Math.max(0, 1 - CHORD_ERROR_MM / finishing.mm));
  const divisions = Math.max(FEWEST_DIVISIONS, Math.ceil(widest / eachTurn));
  const tools = paths.map((path) => sweptTool(surface, path, finishing, divisions));
  if (finishing.finish === 'round') tools.push(...ballCorners(surface, finished, finishing.mm, divisions));
  return { tools: putTogether(tools), left, largestMm: Math.min(...rooms) };
}
