import * as z from 'zod';
import { segmentsFor, type Region } from '../../plane/index.ts';
import { formatNumber, length, type Resolved } from '../amount.ts';
import { clause, millimetres, oneOf, text, type Addition, type FieldPath, type Token } from '../sentence.ts';
import { type BuildKit, type Level } from './stepKind.ts';
import { say } from '../../words/index.ts';

/** What is done to an edge: a slope of 45°, or a quarter round. */
export const edgeFinish = z.strictObject({ finish: z.enum(['chamfer', 'fillet']), mm: length(0.05, 100) });
export type EdgeFinish = z.infer<typeof edgeFinish>;

/** "; chamfer the top edge 0.6 mm". */
export function edgeTokens(finish: EdgeFinish | undefined, path: FieldPath, which: string): Token[] {
  if (!finish) return [];
  return clause(
    [
      text(';'),
      oneOf([...path, 'finish'], say('finish of the {which}', { which }), finish.finish, {
        chamfer: 'chamfer',
        fillet: 'round',
      }),
      text(say('the {which}', { which })),
      millimetres([...path, 'mm'], finish.mm, say('size at the {which}', { which }), { min: 0.05, max: 100 }),
    ],
    path,
    say('Leave the {which} sharp', { which }),
  );
}

/** The offer to finish an edge. */
export function edgeAddition(finish: EdgeFinish | undefined, path: FieldPath, which: string): Addition[] {
  return finish
    ? []
    : [
        {
          label: say('chamfer or round the {which}', { which }),
          path,
          value: { finish: 'chamfer', mm: 0.6 },
        },
      ];
}

/** What shapes the side of an extruded outline. */
export interface Side {
  readonly heightMm: number;
  /** How much the outline narrows upwards, ° from the vertical. */
  readonly taperDeg: number;
  readonly top?: Resolved<EdgeFinish>;
  readonly bottom?: Resolved<EdgeFinish>;
  /** Whether the outline grows at that edge, as the opening of a cut does, instead of shrinking. */
  readonly topOpens?: boolean;
  readonly bottomOpens?: boolean;
}

/**
 * The levels of an extruded outline with finished edges. Ends the evaluation, with the largest size that fits, when a
 * finish is too large for the outline or the height.
 */
export function sideLevels<Body>(kit: BuildKit<Body>, region: Region, side: Side): Level[] {
  const { heightMm, taperDeg, top, bottom } = side;
  const slope = -Math.tan((taperDeg * Math.PI) / 180);
  refuseTooLarge(kit, region, side);
  const levels: Level[] = [];
  const add = (atMm: number, growMm: number) => {
    const last = levels.at(-1);
    if (last && atMm - last.atMm < 1e-6) levels.pop();
    levels.push({ atMm, growMm: growMm + slope * atMm });
  };
  if (bottom) {
    for (const { in: inMm, up } of profile(bottom).reverse()) add(up, side.bottomOpens ? inMm : -inMm);
  } else add(0, 0);
  if (top) {
    const rise = profile(top).map(({ in: inMm, up }) => ({ inMm, at: heightMm - up }));
    for (const { inMm, at } of rise) add(at, side.topOpens ? inMm : -inMm);
  } else add(heightMm, 0);
  return levels;
}

/** How far in from the side the surface is, at distances from the edge's own face, from the side inwards. */
function profile({ finish, mm }: Resolved<EdgeFinish>): { in: number; up: number }[] {
  const steps = finish === 'chamfer' ? 1 : Math.max(4, Math.ceil(segmentsFor(mm) / 4));
  return Array.from({ length: steps + 1 }, (_, i) => {
    if (finish === 'chamfer') return { in: mm * i, up: mm * (1 - i) };
    const angle = (Math.PI / 2) * (i / steps);
    return { in: mm * (1 - Math.cos(angle)), up: mm * (1 - Math.sin(angle)) };
  });
}

function refuseTooLarge<Body>(kit: BuildKit<Body>, region: Region, side: Side): void {
  const { heightMm, taperDeg, top, bottom } = side;
  const fromTaper = heightMm * Math.tan((taperDeg * Math.PI) / 180);
  if (taperDeg !== 0 && !kit.canGrow(region, -fromTaper)) {
    const most = kit.mostGrowth(region, taperDeg > 0 ? -1 : 1, Math.abs(fromTaper));
    const deg = Math.floor((Math.atan2(most, heightMm) * 1800) / Math.PI) / 10;
    kit.fail(
      ['taperDeg'],
      say('The outline closes up before the top: the taper can be at most {deg}°.', {
        deg: formatNumber(deg),
      }),
    );
  }
  const edges = [
    {
      path: 'top',
      finish: top,
      other: bottom?.mm ?? 0,
      way: side.topOpens ? 1 : -1,
      taken: Math.max(0, fromTaper),
    },
    { path: 'bottom', finish: bottom, other: top?.mm ?? 0, way: side.bottomOpens ? 1 : -1, taken: 0 },
  ] as const;
  for (const { path, finish, other, way, taken } of edges) {
    if (!finish) continue;
    const byHeight = heightMm - other;
    const isOver = finish.mm > byHeight + 1e-6;
    if (!isOver && kit.canGrow(region, way * (finish.mm + taken))) continue;
    const room = kit.mostGrowth(region, way, Math.max(0, Math.min(finish.mm, byHeight) + taken)) - taken;
    const most = Math.floor(100 * Math.min(byHeight, room) + 1e-6) / 100;
    const what = finish.finish === 'chamfer' ? say('chamfer') : say('rounding');
    kit.fail(
      [path, 'mm'],
      most > 0.04
        ? say('The largest {what} that fits here is {most} mm.', { what, most: formatNumber(most) })
        : say('There is no room for a {what} here: leave it out, or make the part larger.', { what }),
    );
  }
}
