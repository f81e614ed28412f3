import { expect, it } from 'vitest';
import { classroomLimits } from '@kelbrin/core/inspect';
import { pieceOf } from './batchPiece';

it('is one for copies that are printed alike, in whatever order that was chosen', () => {
  const hash = 'ab12';
  const alike = [null, undefined, {}, { wallLines: undefined }].map((ownChoice) =>
    pieceOf({ hash, ownChoice }),
  );
  expect(new Set(alike)).toEqual(new Set([hash]));
  expect(pieceOf({ hash, ownChoice: { wallLines: 3, infillShare: 0.5 } })).toBe(
    pieceOf({ hash, ownChoice: { infillShare: 0.5, wallLines: 3 } }),
  );
  expect(pieceOf({ hash, ownChoice: { wallLines: 3 } })).not.toBe(
    pieceOf({ hash, ownChoice: { wallLines: 4 } }),
  );

  // The same solid may have been approved with other supports.
  const heldBy = { limits: classroomLimits, marks: [] };
  const marked = { ...heldBy, marks: [{ at: [1, 2, 3] as [number, number, number], wish: 'free' as const }] };
  const held = [undefined, heldBy, { ...heldBy }, marked].map((each) => pieceOf({ hash, heldBy: each }));
  expect(new Set(held).size).toBe(3);
});
