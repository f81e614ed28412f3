import { eq } from 'drizzle-orm';
import { describe, expect, it } from 'vitest';
import { designOf } from '@kelbrin/core/design';
import type { SupportMark } from '@kelbrin/core/inspect';
import { centredOn, emptyRecipe, fromPlate, onTop, type Recipe, type Step } from '@kelbrin/core/recipe';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { handIns, printFiles } from '../platform/db/schema/index.ts';
import { handIn } from '../handIns/handIns.ts';
import { inspectHandIn } from '../handIns/inspectHandIn.ts';
import { saveDesign } from '../projects/projects.ts';
import { HandInRoom } from '../testing/handInRoom.ts';
import { approve, sendBack } from './decide.ts';
import { markSupports } from './supportMarks.ts';

const room = HandInRoom.forTests();
const { latestHandIn } = room;

/** A plate of 40 by 20 mm that stands on a post, so that it hangs all around; the post stands on as large a plate, or on none. */
function table(hasBase: boolean, widthMm = 40): Recipe {
  const block = (id: string, [widthMm, depthMm, mm]: [number, number, number]) => ({
    id,
    kind: 'extrude' as const,
    effect: 'add' as const,
    outline: { shape: 'roundedRectangle' as const, widthMm, depthMm, cornerMm: 1 },
    facing: 'up' as const,
    depth: { type: 'by' as const, mm },
  });
  const post: Step = {
    ...block('s1', [12, 12, 8]),
    name: 'post',
    placement: { ...centredOn('s1', fromPlate), on: { plate: true } },
  };
  const top: Step = { ...block('s2', [widthMm, 20, 3]), name: 'top', placement: centredOn('s1', onTop) };
  const base: Step = {
    ...block('s3', [40, 20, 2]),
    name: 'base',
    placement: { ...centredOn('s3', fromPlate), on: { plate: true } },
  };
  return { ...emptyRecipe(), steps: [post, top, ...(hasBase ? [base] : [])] };
}

/** A hand-in of the table that was inspected where card and brief let it be held, or do not. */
async function handedIn(student: Person, mayBeHeld: boolean, hasBase = false, widthMm = 40): Promise<string> {
  const { id, revision } = await room.test.projectOf(student);
  const saved = await saveDesign(room.test.db, student, id, revision, designOf(table(hasBase, widthMm)));
  const arguments_ = ['overhang', 'brief', 'island', 'bridge', 'stability'].map((check) => ({
    check,
    words: 'It has to be so.',
  }));
  const handInId = await handIn(room.test.db, student, id, saved.revision, {
    note: '',
    arguments: arguments_,
  });
  if (mayBeHeld) await letBeHeld(student);
  await inspectHandIn(room.test.db, handInId);
  return handInId;
}

async function letBeHeld(student: Person): Promise<void> {
  const { id, limits } = await latestHandIn(student);
  await room.test.db
    .update(handIns)
    .set({ limits: { ...limits, supports: 'plate' }, rules: { mayBeHeld: true } })
    .where(eq(handIns.id, id));
}

describe('marks for supports', () => {
  it('change what is held before it is approved, and go with the file that is printed', async () => {
    const { teacher, luca, helper } = room.people;
    const id = await handedIn(luca, true);
    const first = await latestHandIn(luca);
    expect(first.state).toBe('waiting');
    expect(first.estimate!.supports!.grams).toBeGreaterThan(0);
    const [{ at }] = first.inspection!.checks.find((check) => check.id === 'overhang')!.findings;
    const marks: SupportMark[] = [{ at: [...at] as SupportMark['at'], wish: 'free' }];
    for (const person of [luca, helper])
      await expect(markSupports(room.test.db, person, id, marks)).rejects.toThrow(NotAllowed);
    const odd = [{ at: [1, 2], wish: 'free' }];
    await expect(markSupports(room.test.db, teacher, id, odd)).rejects.toThrow('cannot be used');

    await markSupports(room.test.db, teacher, id, marks);
    expect((await latestHandIn(luca)).state).toBe('checking');
    // Two teachers' tabs: the second has to look again.
    await expect(markSupports(room.test.db, teacher, id, [])).rejects.toThrow('not waiting');
    await inspectHandIn(room.test.db, id);
    const free = await latestHandIn(luca);
    expect(free).toMatchObject({ state: 'waiting', solidHash: first.solidHash, supportMarks: marks });
    expect(free.estimate!.supports?.grams ?? 0).toBeLessThan(0.1);

    await approve(room.test.db, teacher, id, free.solidHash!, ['brief', 'stability'].map((check) => ({ check, reason: 'For a test.' }))); // oxfmt-ignore
    const [file] = await room.test.db.select().from(printFiles).where(eq(printFiles.handInId, id));
    expect(file.supportMarks).toEqual(marks);
    expect(file.estimate).toEqual(free.estimate);
  });

  it('are still there when the part comes back changed, as far as it has those faces', async () => {
    const { teacher, bruno } = room.people;
    const first = await handedIn(bruno, true);
    const marks: SupportMark[] = [
      { at: [12, 0, 8], wish: 'free' },
      { at: [19, 0, 8], wish: 'hold' },
    ];
    await markSupports(room.test.db, teacher, first, marks);
    await inspectHandIn(room.test.db, first);
    expect((await latestHandIn(bruno)).supportMarks).toEqual(marks);
    await sendBack(room.test.db, teacher, first, 'A narrower top.');
    // Its top ends at 15 mm now.
    await handedIn(bruno, true, false, 30);
    expect(await latestHandIn(bruno)).toMatchObject({ state: 'waiting', supportMarks: [marks[0]] });
  });

  it('are refused where nothing may be held', async () => {
    const { teacher, maren } = room.people;
    const id = await handedIn(maren, false);
    await expect(markSupports(room.test.db, teacher, id, [])).rejects.toThrow('let no part be held');
  });

  it('never send a hand-in back to its student: the teacher sees what supports cannot reach', async () => {
    const { teacher, asha } = room.people;
    const id = await handedIn(asha, false, true);
    // From the plate alone nothing under the top is reached, since the base lies in between.
    await letBeHeld(asha);
    const at: SupportMark['at'] = [15, 0, 8];
    await markSupports(room.test.db, teacher, id, [{ at, wish: 'hold' }]);
    await inspectHandIn(room.test.db, id);
    const { state, inspection } = await latestHandIn(asha);
    expect(state).toBe('waiting');
    expect(inspection!.checks.find((check) => check.id === 'supports')!.verdict).toBe('fail');
  });
});
