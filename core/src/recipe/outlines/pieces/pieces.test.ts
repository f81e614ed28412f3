import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../../node/workshop.ts';
import { recipeWith } from '../../../../test/evaluated.ts';
import { outlineKit, Refused } from '../../../../test/outlineKit.ts';
import { extentOf, regionAreaOf, type Region } from '../../../plane/index.ts';
import type { Resolved } from '../../amount.ts';
import { combined, type CombinedOutline } from '../combined.ts';
import type { OutlineKit } from '../outlineKind.ts';
import type { DrawnPieces, LaidPiece } from './laidPiece.ts';
import { newPieceOffers, pieceOffers } from './pieceOffers.ts';
import type { Piece } from './piece.ts';
import { pieceTokens } from './pieceSentence.ts';
import { acrossOf, type PlainOutline } from '../plain.ts';

type PlainPiece = Resolved<Piece>;

let plainKit: OutlineKit;
beforeAll(async () => (plainKit = outlineKit((await nodeWorkshop()).kernel)));

const box = (widthMm: number, depthMm = widthMm): PlainPiece['outline'] => ({
  shape: 'roundedRectangle',
  widthMm,
  depthMm,
  cornerMm: 0,
});
const disc = (diameterMm: number): PlainPiece['outline'] => ({ shape: 'circle', diameterMm });
const middle = (xMm = 0, yMm = 0): PlainPiece['place'] => ({ from: 'middle', xMm, yMm });
const on = (
  piece: string,
  x: Extract<PlainPiece['place'], { from: 'piece' }>['x'] = { relation: 'centred' },
  y: Extract<PlainPiece['place'], { from: 'piece' }>['y'] = { relation: 'centred' },
): PlainPiece['place'] => ({ from: 'piece', piece, x, y });
const piece = (
  id: string,
  how: Piece['how'],
  outline: PlainPiece['outline'],
  place: PlainPiece['place'] = middle(),
  more: Partial<PlainPiece> = {},
): PlainPiece => ({ id, how, outline, place, ...more });

function made(pieces: PlainPiece[], growMm?: number): { region: Region; laid: readonly LaidPiece[] } {
  let laid: readonly LaidPiece[] = [];
  const kit = { ...plainKit, drewPieces: ({ pieces: drawn }: DrawnPieces) => (laid = drawn) };
  const spec: Resolved<CombinedOutline> = { shape: 'combined', pieces, growMm };
  return { region: combined.region(spec, kit), laid };
}
const areaOf = (pieces: PlainPiece[], growMm?: number) => regionAreaOf(made(pieces, growMm).region);
const extent = (pieces: PlainPiece[], growMm?: number) => {
  const { x, y } = extentOf(made(pieces, growMm).region);
  return [x.low, x.high, y.low, y.high];
};
function refused(pieces: PlainPiece[], growMm?: number): Refused {
  try {
    made(pieces, growMm);
  } catch (error) {
    if (error instanceof Refused) return error;
    throw error;
  }
  throw new Error('was made');
}

describe('pieces put together', () => {
  it('are added, left out, and kept in common, in their order', () => {
    const ground = piece('a', 'and', box(20, 10));
    expect(areaOf([ground, piece('b', 'and', box(10, 20))])).toBeCloseTo(300, 6);
    expect(areaOf([ground, piece('b', 'without', box(10, 20))])).toBeCloseTo(100, 6);
    expect(areaOf([ground, piece('b', 'within', box(10, 20))])).toBeCloseTo(100, 6);
    // What is left out before it is added is there; what is left out after it is not.
    const hole = piece('c', 'without', box(4));
    const plug = piece('d', 'and', box(2));
    expect(areaOf([ground, hole, plug])).toBeCloseTo(200 - 16 + 4, 6);
    expect(areaOf([ground, plug, hole])).toBeCloseTo(200 - 16, 6);
  });

  it('lie on one another by the relations that steps know', () => {
    const ground = piece('a', 'and', box(20, 10), middle(3, 4));
    expect(extent([ground, piece('b', 'and', box(6), on('a', { relation: 'beside', edge: 'high', overlapMm: 1 }))])).toEqual([-7, 18, -1, 9]); // oxfmt-ignore
    expect(
      extent([
        ground,
        piece('b', 'and', box(6), on('a', { relation: 'inFrom', edge: 'low', mm: -2 }, { relation: 'share', percent: 100 })),
      ]),
    ).toEqual([-9, 13, -1, 12]); // oxfmt-ignore
  });

  it('lie on pieces that come later in the sentence, and on what was turned', () => {
    const above = { relation: 'beside', edge: 'high', overlapMm: 0 } as const;
    const first = piece('a', 'and', box(4), on('b', { relation: 'centred' }, above));
    expect(extent([first, piece('b', 'and', box(10, 20), middle(), { turnDeg: 90 })])).toEqual([
      -10, 10, -5, 9,
    ]);
  });

  it('say who waits for whom, and which of them is gone', () => {
    const circle = refused([piece('a', 'and', box(4), on('b')), piece('b', 'and', box(4), on('a'))]);
    expect(circle.message).toMatch(/^A waits for itself/);
    const gone = refused([piece('a', 'and', box(4)), piece('b', 'and', box(4), on('x'))]);
    expect([gone.path, gone.message]).toEqual([['pieces', 1, 'place'], 'The piece that it is placed on is gone: choose another one.']); // oxfmt-ignore
  });

  it('are repeated in a row, all around, and as in a mirror', () => {
    const far = (times: PlainPiece['times']) => [piece('a', 'and', box(2), middle(10, 0), { times })];
    expect(areaOf(far({ as: 'row', count: 4, xMm: 3, yMm: 0 }))).toBeCloseTo(16, 6);
    expect(extent(far({ as: 'row', count: 4, xMm: 3, yMm: -5 }))).toEqual([9, 20, -16, 1]);
    expect(areaOf(far({ as: 'ring', count: 4, around: { from: 'middle' } }))).toBeCloseTo(16, 6);
    expect(extent(far({ as: 'ring', count: 4, around: { from: 'middle' } }))).toEqual([-11, 11, -11, 11].map((mm) => expect.closeTo(mm, 6) as number)); // oxfmt-ignore
    expect(extent(far({ as: 'mirror', axis: 'x', around: { from: 'middle' } }))).toEqual([-11, 11, -1, 1]);
    expect(extent(far({ as: 'mirror', axis: 'y', around: { from: 'middle' } }))).toEqual([9, 11, -1, 1]);
  });

  it('are repeated around the middle of another piece', () => {
    const flower = [
      piece('a', 'and', box(4), middle(30, 7)),
      piece('b', 'and', disc(2), on('a', { relation: 'centred', mm: 10 }), {
        times: { as: 'ring', count: 8, around: { from: 'piece', piece: 'a' } },
      }),
    ];
    expect(extent(flower)).toEqual([19, 41, -4, 18].map((mm) => expect.closeTo(mm, 6) as number));
    // A polygon of equal edges stands for the circle.
    expect(areaOf(flower) - 16).toBeGreaterThan(8 * Math.PI * 0.98);
    expect(areaOf(flower) - 16).toBeLessThan(8 * Math.PI);
  });

  it('leave copies out that lie over each other', () => {
    const times = { as: 'row', count: 3, xMm: 1, yMm: 0 } as const;
    expect(areaOf([piece('a', 'and', box(20)), piece('b', 'without', box(2), middle(), { times })])).toBeCloseTo(400 - 8, 6); // oxfmt-ignore
  });

  it('keep their ground where the mirror image is cut', () => {
    const times = { as: 'mirror', axis: 'x', around: { from: 'middle' } } as const;
    const half = piece('b', 'without', { shape: 'sector', diameterMm: 10, deg: 90 }, middle(6), { times });
    const { laid } = made([piece('a', 'and', box(40)), half]);
    const [own, image] = laid[1].copies.map(regionAreaOf);
    expect(own).toBeGreaterThan(0);
    expect(image).toBeCloseTo(own, 9);
  });

  it('are grown and shrunk as one', () => {
    const cross = [piece('a', 'and', box(20, 4)), piece('b', 'and', box(4, 20))];
    expect(areaOf(cross, 1)).toBeCloseTo(22 * 6 * 2 - 36, 6);
    expect(areaOf(cross, -1)).toBeCloseTo(18 * 2 * 2 - 4, 6);
    expect(refused(cross, -3).path).toEqual(['growMm']);
  });

  it('say which of them leaves nothing', () => {
    const all = piece('a', 'and', box(10));
    expect(refused([all, piece('b', 'without', box(12))])).toMatchObject({ path: ['pieces', 1, 'how'], message: expect.stringContaining('Without B') as string }); // oxfmt-ignore
    expect(refused([all, piece('b', 'within', box(2), middle(50))])).toMatchObject({ message: expect.stringContaining('within B') as string }); // oxfmt-ignore
  });

  it('say which of them is wrong in itself', () => {
    const slot = piece('b', 'without', { shape: 'slot', lengthMm: 1, widthMm: 2 });
    expect(refused([piece('a', 'and', disc(10)), slot]).path).toEqual(['pieces', 1, 'outline', 'lengthMm']);
  });

  it('refuse what multiplies beyond all use', () => {
    const nodes = Array.from({ length: 400 }, (_, i) => ({
      xMm: 20 * Math.cos((i * Math.PI) / 200),
      yMm: 20 * Math.sin((i * Math.PI) / 200),
    }));
    const drawn = { shape: 'points', nodes, closed: true, smooth: true, mirrored: false } as const;
    const pieces = Array.from({ length: 20 }, (_, i) =>
      piece(`p${i}`, 'and', drawn, middle(i), { times: { as: 'row', count: 36, xMm: 1, yMm: 0 } }),
    );
    expect(refused(pieces).message).toMatch(/points together/);
  });

  it('make the area that a point by point count of them makes', () => {
    const mm = fc.integer({ min: -12, max: 12 });
    const any = fc.array(
      fc.record({
        how: fc.constantFrom('and' as const, 'without' as const, 'within' as const),
        w: fc.integer({ min: 6, max: 24 }),
        d: fc.integer({ min: 6, max: 24 }),
        x: mm,
        y: mm,
      }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(any, (drawn) => {
        const isIn = (each: (typeof drawn)[number], x: number, y: number) =>
          Math.abs(x - each.x) < each.w / 2 && Math.abs(y - each.y) < each.d / 2;
        let [count, left] = [0, true];
        const marks = drawn.map(() => 0);
        for (let x = -29.75; x < 30; x += 0.5)
          for (let y = -29.75; y < 30; y += 0.5) {
            let here = false;
            drawn.forEach((each, i) => {
              const inside = isIn(each, x, y);
              here = i === 0 || each.how === 'and' ? here || inside : each.how === 'without' ? here && !inside : here && inside; // oxfmt-ignore
              if (here) marks[i]++;
            });
            if (here) count++;
          }
        left = marks.every((mark) => mark > 0);
        fc.pre(left);
        const pieces = drawn.map(({ how, w, d, x, y }, i) => piece(`p${i}`, how, box(w, d), middle(x, y)));
        expect(areaOf(pieces)).toBeCloseTo(count / 4, 4);
      }),
      { numRuns: 60 },
    );
  });
});

describe('what can be done with a piece', () => {
  const pieces = [
    piece('a', 'and', box(20)),
    piece('b', 'without', disc(4), on('a', { relation: 'centred', mm: 3 })),
    piece('c', 'and', disc(2), on('b'), {
      times: { as: 'ring', count: 5, around: { from: 'piece', piece: 'b' } },
    }),
  ];
  const offered = (index: number, label: string) => {
    const offer = pieceOffers(pieces, index, ['outline']).find((each) => each.label === label);
    if (!offer) throw new Error(`${label} is not offered`);
    return offer.value as PlainPiece[];
  };

  it('keeps what others know it by when they change places', () => {
    const swapped = offered(0, 'take A later');
    expect(swapped.map(({ id, how }) => [id, how])).toEqual([['b', 'and'], ['a', 'and'], ['c', 'and']]); // oxfmt-ignore
    expect(made(swapped).laid.map(({ own }) => extentOf(own).x.low)).toEqual([1, -10, expect.closeTo(2, 1)]);
  });

  it('leaves no other piece waiting for one that is taken out', () => {
    const rest = offered(1, 'leave B out');
    expect(rest.map(({ id }) => id)).toEqual(['a', 'c']);
    expect(rest[1]).toMatchObject({
      place: { from: 'middle', xMm: 0, yMm: 0 },
      times: { around: { from: 'middle' } },
    });
    expect(() => made(rest)).not.toThrow();
  });

  it('is copied and taken earlier where it stands in their order', () => {
    expect(offered(1, 'copy B').map(({ id }) => id)).toEqual(['a', 'b', expect.any(String), 'c']);
    expect(offered(1, 'take B earlier').map(({ id }) => id)).toEqual(['b', 'a', 'c']);
    expect(pieceOffers(pieces, 0, []).map(({ label }) => label)).not.toContain('take A earlier');
    expect(pieceOffers(pieces, 0, []).find(({ label }) => label === 'turn A')?.value).toBe(45);
  });

  it.each([
    ['ring', { as: 'ring', count: 3, around: { from: 'middle' } }],
    ['mirror', { as: 'mirror', axis: 'x', around: { from: 'middle' } }],
  ] as const)('says around what it is repeated where that is kept: %s', (_, times) => {
    const all = [piece('a', 'and', box(20)), piece('b', 'and', box(2), middle(6), { times })];
    const paths = pieceTokens(all, 1, ['outline'], { recipe: recipeWith([]), index: 0 }).map((token) =>
      'path' in token ? token.path.join('.') : '',
    );
    expect(paths).toContain('outline.pieces.1.times.around');
  });

  it('is joined as wide as it is drawn, a corner that is worked out taken for 0', () => {
    const drawn = {
      shape: 'points',
      nodes: [{ xMm: { formula: 'cane' }, yMm: 0 }, { xMm: 24, yMm: 0 }, { xMm: 24, yMm: 10 }],
      closed: true,
      smooth: false,
      mirrored: false,
    } as const; // oxfmt-ignore
    expect(acrossOf(drawn as unknown as PlainOutline)).toBe(24);
  });

  it('is joined by another that reaches a quarter of its width into it', () => {
    const ground = [piece('a', 'and', box(20, 10))];
    const areas = newPieceOffers(ground, ['outline'])
      .filter(({ label }) => label.startsWith('join'))
      .map(({ value }) => (value as PlainPiece).place);
    expect(areas).toEqual(
      [0, 1].map(() => on('a', { relation: 'beside', edge: 'high', overlapMm: 5 }, { relation: 'centred' })),
    );
  });

  it('puts a copy where it is seen, with a name of its own', () => {
    const copied = offered(0, 'copy A');
    expect(new Set(copied.map(({ id }) => id)).size).toBe(4);
    expect(areaOf(copied)).toBeGreaterThan(areaOf(pieces) + 100);
  });
});
