import {
  distanceBetween,
  thicknessAt,
  type EdgeRun,
  type MeasuredEnd,
  type SolidMesh,
} from '@kelbrin/core/mesh';
import { formatNumber, withUnit } from '@kelbrin/core/recipe';
import { solidTexts as say } from '../../texts/solidView';

/** What is said while something is measured: the figure itself, what else there is to say, and what to do next. */
export interface MeasuredWords {
  readonly figure?: string;
  readonly more: readonly string[];
  readonly next?: string;
}

/** What there is to say of the places and edges that were pressed so far: none, one or two. */
export function measuredWords(ends: readonly MeasuredEnd[], mesh: SolidMesh): MeasuredWords {
  const [first, second] = ends;
  if (!first) return { more: [], next: say.pressTwo };
  if (!second) return { ...wordsOfOne(first, mesh), next: say.pressOther };
  const { straightMm, alongMm, facesMm, angleDeg, edgesDeg } = distanceBetween(first, second);
  const [x, y, z] = alongMm.map(mm);
  const along = say.along(x, y, z);
  if (edgesDeg !== undefined && edgesDeg > 0)
    return {
      figure: degrees(edgesDeg),
      more: [say.edgesMeet, ...(straightMm > 0.005 ? [say.nearest(mm(straightMm))] : [])],
    };
  const about =
    edgesDeg === 0
      ? [say.parallelEdges]
      : angleDeg !== undefined
        ? [say.facesMeet(formatNumber(round(angleDeg, 1)))]
        : facesMm !== undefined
          ? [facesMm > 0.005 ? say.facesApart(mm(facesMm)) : say.onePlane]
          : [];
  const middles = ends.filter(({ edge }) => edge?.kind === 'round').length;
  const counted = middles === 2 ? [say.betweenMiddles] : middles === 1 ? [say.fromMiddle] : [];
  return { figure: mm(straightMm), more: [along, ...about, ...counted] };
}

/** All that is said after the figure, as one stands after the other. */
export function restOf({ figure, more, next }: MeasuredWords): string {
  const about = [...(figure === undefined ? [] : ['']), ...more].join('; ');
  return [...(about === '' ? [] : [`${about}.`]), ...(next === undefined ? [] : [next])].join(' ');
}

function wordsOfOne(end: MeasuredEnd, mesh: SolidMesh): MeasuredWords {
  if (end.edge) return wordsOfEdge(end.edge);
  const thickMm = thicknessAt(mesh, end);
  return { more: thickMm === undefined ? [] : [say.thickHere(mm(thickMm))] };
}

function wordsOfEdge(edge: EdgeRun): MeasuredWords {
  if (edge.kind === 'straight') {
    const [x, y, z] = [0, 1, 2].map((i) => edge.to[i] - edge.from[i]);
    return { figure: mm(Math.hypot(x, y, z)), more: [say.edgeLong] };
  }
  const across = `Ø ${mm(2 * edge.radiusMm)}`;
  return edge.isWhole
    ? { figure: across, more: [say.radius(mm(edge.radiusMm))] }
    : { figure: say.radius(mm(edge.radiusMm)), more: [across] };
}

const round = (value: number, places: number) => Math.round(value * 10 ** places) / 10 ** places;
const mm = (value: number) => withUnit(round(value, 2), 'mm');
const degrees = (value: number) => withUnit(round(value, 1), '°');
