import * as z from 'zod';
import {
  chainsFrom,
  cornerBefore,
  cornersOf,
  cutAcross,
  filletAt,
  nextCorner,
  withFinishes,
  withoutRepeats,
  type Corner,
  type CornerFinish,
  type Region,
} from '../../plane/index.ts';
import { formatNumber, length, type Resolved } from '../amount.ts';
import type { OutlineKit, OutlineSpec } from '../outlines/index.ts';
import {
  choice,
  clause,
  millimetres,
  oneOf,
  text,
  type Addition,
  type FieldPath,
  type Token,
} from '../sentence.ts';
import { say } from '../../words/index.ts';

/** As many groups of corners as one sentence can still be read with. */
const MOST_GROUPS = 6;

/** Corners that were chosen one by one, by their numbers along the outline; and how many corners that had then. */
const chosenCorners = z.strictObject({
  numbers: z.array(z.number().int().min(1).max(2000)).max(60),
  of: z.number().int().min(0).max(2000),
});

/** What is done to corners of an outline: all of them, those that stand out or turn inwards, or chosen ones. */
const cornerGroup = z.strictObject({
  which: z.union([z.enum(['all', 'outer', 'inner']), chosenCorners]),
  finish: z.enum(['round', 'chamfer']),
  /** The radius, or how much of each side is cut off; 0 does nothing. */
  mm: length(0, 100),
});
type CornerGroup = z.infer<typeof cornerGroup>;
type Group = Resolved<CornerGroup>;

export const corners = z.array(cornerGroup).max(MOST_GROUPS);
export type Corners = z.infer<typeof corners>;

/** Whether corners can be told by their numbers: those of outlines put together have no order that stays. */
function areNumbered({ shape }: Pick<OutlineSpec, 'shape'>): boolean {
  return shape !== 'combined' && shape !== 'ofStep';
}

const isChosen = (which: CornerGroup['which'] | Group['which']): which is z.infer<typeof chosenCorners> =>
  typeof which === 'object';

/** ", outer corners rounded 6 mm, the corners 2 and 3 cut off 1 mm"; `to` leads from the step to the groups. */
export function cornerTokens(
  groups: Corners | undefined,
  outline: OutlineSpec,
  to: FieldPath = ['corners'],
): Token[] {
  return (groups ?? []).flatMap(({ which, finish, mm }, i) => {
    const path = [...to, i];
    const kinds = [
      { label: say('all corners'), value: 'all' },
      { label: say('outer corners'), value: 'outer' },
      { label: say('inner corners'), value: 'inner' },
      ...(areNumbered(outline) || isChosen(which)
        ? [{ label: say('the corners'), value: isChosen(which) ? which : { numbers: [], of: 0 } }]
        : []),
    ];
    return clause(
      [
        text(','),
        choice([...path, 'which'], 'which corners', kinds, ({ value }) =>
          isChosen(which) ? typeof value === 'object' : value === which,
        ),
        ...(isChosen(which)
          ? [
              {
                type: 'corners',
                path: [...path, 'which'],
                label: say('corners to choose'),
                chosen: which.numbers,
              } as const,
            ]
          : []),
        oneOf([...path, 'finish'], 'what is done to the corners', finish, {
          round: 'rounded',
          chamfer: 'cut off',
        }),
        millimetres([...path, 'mm'], mm, 'size at the corners', { min: 0, max: 100 }),
      ],
      path,
      'Leave these corners as drawn',
    );
  });
}

/** The offers to round corners or cut them off. */
export function cornerAdditions(
  groups: Corners | undefined,
  outline: OutlineSpec,
  to: FieldPath = ['corners'],
): Addition[] {
  const at = groups?.length ?? 0;
  if (at >= MOST_GROUPS) return [];
  const offer = (label: string, which: CornerGroup['which'], finish: CornerGroup['finish']): Addition => {
    const group = { which, finish, mm: 1 };
    return groups ? { label, path: [...to, at], value: group } : { label, path: to, value: [group] };
  };
  return [
    offer(say('round the corners'), at === 0 ? 'all' : 'inner', 'round'),
    offer(say('cut the corners off'), at === 0 ? 'all' : 'inner', 'chamfer'),
    ...(areNumbered(outline)
      ? [offer(say('round corners that I choose'), { numbers: [], of: 0 }, 'round')]
      : []),
  ];
}

/** What corners need of the geometry, and how they say what is not wrong enough to end the evaluation. */
type CornerKit = OutlineKit & { note(message: string): void };

/**
 * The region with the corners of each group finished, and where its corners were. A corner that several groups could
 * mean belongs to the one that names it most closely: by its number, as an outer or inner one, as any; of two such, to
 * the later one.
 */
export function withCorners(
  drawn: Region,
  groups: readonly Group[] | undefined,
  outline: Pick<OutlineSpec, 'shape'>,
  kit: CornerKit,
): { region: Region; corners: readonly Corner[] } {
  // Points that stand twice would be edges without a direction.
  const region = drawn.map((each) => withoutRepeats(each, SAME_MM));
  const found = cornersOf(region);
  if (!groups || groups.length === 0) return { region: drawn, corners: found };
  const meant = groups.map((group) => isMeant(group, found, outline, kit));
  const owner = found.map((corner, i) => ownerOf(corner, i + 1, groups, meant));
  const work: Work = { region, found, owner, groups };

  const finishes = found.map((): CornerFinish | undefined => undefined);
  const wide: number[] = [];
  groups.forEach((group, at) => {
    if (!meant[at] || group.mm === 0) return;
    if (fits(work, at, group.mm)) {
      for (const i of ownedBy(work, at)) finishes[i] = finishAt(work, i);
    } else if (group.finish === 'round' && !isChosen(group.which)) {
      kit.note(
        say('The corners have no room for {mm} mm: their shape stays with {largest} mm at most.', {
          mm: formatNumber(group.mm),
          largest: formatNumber(largest(work, at)),
        }),
      );
      wide.push(at);
    } else {
      kit.fail(
        ['corners', at, 'mm'],
        say('The largest {what} that fits at these corners is {largest} mm.', {
          what: group.finish === 'chamfer' ? say('cut') : say('rounding'),
          largest: formatNumber(largest(work, at)),
        }),
      );
    }
  });
  const finished = wide.reduce(
    (sum, at) => roundedAnyhow(sum, groups[at], at, kit),
    withFinishes(region, found, finishes),
  );
  return { region: finished, corners: found };
}

/** An outline with its corners, and the group that each of them belongs to. */
interface Work {
  readonly region: Region;
  readonly found: readonly Corner[];
  readonly owner: readonly number[];
  readonly groups: readonly Group[];
}

function ownedBy({ owner }: Work, at: number): number[] {
  return owner.flatMap((group, i) => (group === at ? i : []));
}

/** What is done at a corner, by another size if one is given; undefined where that does not fit between its neighbours. */
function finishAt(
  { region, found, owner, groups }: Work,
  i: number,
  mm = groups[owner[i]].mm,
): CornerFinish | undefined {
  if (groups[owner[i]].finish === 'round') return filletAt(region, found, i, mm);
  return cutAcross(region, found, i, mm);
}

/** What reaches nowhere along the sides of its corner. */
const NOTHING = { beforeMm: 0, afterMm: 0 };

/** Whether a group has room for a size beside its neighbours, which keep theirs. */
function fits(work: Work, at: number, mm: number): boolean {
  const { region, found, owner, groups } = work;
  const reaches = new Map<number, Pick<CornerFinish, 'beforeMm' | 'afterMm'> | undefined>();
  const reach = (i: number) => {
    if (owner[i] < 0 || groups[owner[i]].mm === 0) return NOTHING;
    if (!reaches.has(i)) reaches.set(i, finishAt(work, i, owner[i] === at ? mm : undefined));
    return reaches.get(i);
  };
  return ownedBy(work, at).every((i) => {
    const own = reach(i);
    if (!own) return false;
    const [before, after] = chainsFrom(region, found, i).map(({ lengths }) => lengths.at(-1)! + SAME_MM);
    const [last, next] = [cornerBefore(found, i), nextCorner(found, i)];
    // A lone corner meets itself half-way round. Where a neighbour has no room itself, its own group says so.
    const lastMm = last === i ? 0 : (reach(last)?.afterMm ?? 0);
    const nextMm = next === i ? 0 : (reach(next)?.beforeMm ?? 0);
    return own.beforeMm + lastMm <= before && own.afterMm + nextMm <= after;
  });
}

/** Lengths that differ by less are the same, mm. */
const SAME_MM = 1e-6;
/** Halvings of a size, until the largest that fits is known well below what is said of it. */
const HALVINGS = 24;

/** The largest size for which a group has room, to a hundredth of a millimetre. */
function largest(work: Work, at: number): number {
  let [room, tooMuch] = [0, work.groups[at].mm];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (room + tooMuch) / 2;
    if (fits(work, at, middle)) room = middle;
    else tooMuch = middle;
  }
  return Math.floor(100 * room + 0.01) / 100;
}

/**
 * The region rounded by more than its edges have room for: shrunk and grown again, outer corners become round, and what is
 * narrower is gone; grown and shrunk again, inner ones do (an opening and a closing by a disc).
 */
function roundedAnyhow(region: Region, { which, mm }: Group, at: number, kit: CornerKit): Region {
  let rounded = region;
  if (which !== 'inner') rounded = kit.grown(kit.grown(rounded, -mm, 'round'), mm, 'round');
  if (rounded.length === 0) {
    return kit.fail(
      ['corners', at, 'mm'],
      say('The outline is thinner than that, so nothing is left when it is rounded: round by less.'),
    );
  }
  if (which !== 'outer') rounded = kit.grown(kit.grown(rounded, mm, 'round'), -mm, 'round');
  return rounded;
}

/** Whether a group says which corners it means; one whose corners are gone says so. */
function isMeant(
  { which }: Group,
  found: readonly Corner[],
  outline: Pick<OutlineSpec, 'shape'>,
  kit: CornerKit,
): boolean {
  if (!isChosen(which)) return true;
  if (!areNumbered(outline)) {
    kit.note(say('Corners of such an outline are chosen in words: as all, the outer or the inner ones.'));
    return false;
  }
  if (which.numbers.length === 0) {
    kit.note(say('Choose the corners: tap them on the plan, or tick them in the sentence.'));
    return false;
  }
  if (which.of === found.length) return true;
  kit.note(
    say(
      'The corners that were chosen are gone: the outline had {before}, and has {now} now. Choose them again.',
      {
        before: which.of,
        now: found.length,
      },
    ),
  );
  return false;
}

/** The group that a corner belongs to, by its index; −1 for none. */
function ownerOf(
  { isOuter }: Corner,
  number: number,
  groups: readonly Group[],
  meant: readonly boolean[],
): number {
  const last = (isMeantBy: (which: Group['which']) => boolean) =>
    groups.findLastIndex(({ which }, at) => meant[at] && isMeantBy(which));
  const byNumber = last((which) => isChosen(which) && which.numbers.includes(number));
  if (byNumber >= 0) return byNumber;
  const bySide = last((which) => which === (isOuter ? 'outer' : 'inner'));
  return bySide >= 0 ? bySide : last((which) => which === 'all');
}
