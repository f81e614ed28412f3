import { eq } from 'drizzle-orm';
import { describe, expect, it } from 'vitest';
import { designOf } from '@kelbrin/core/design';
import { labelRecipe } from '../demo/labels.ts';
import { handInToTeach } from '../platform/auth/access.ts';
import { printFiles, queueEntries, solids } from '../platform/db/schema/index.ts';
import { handIn } from './handIns.ts';
import { inspectHandIn } from './inspectHandIn.ts';
import { holdAgainst } from './recheck.ts';
import { saveDesign, standings } from '../projects/projects.ts';
import { approve, sendBack } from '../review/decide.ts';
import { handInsToReview } from '../review/stack.ts';
import { sha256 } from '../platform/basics/sha256.ts';
import { HandInRoom } from '../testing/handInRoom.ts';

const room = HandInRoom.forTests();
const { latestHandIn } = room;

describe('what fails', () => {
  it('comes back at once unless the student says why it has to be so', async () => {
    const { asha, teacher } = room.people;
    const { id, revision } = await room.test.projectOf(asha);
    const tiny = designOf(labelRecipe({ words: 'Basil', holeMm: 1.6 }));
    const saved = await saveDesign(room.test.db, asha, id, revision, tiny);
    await inspectHandIn(room.test.db, await handIn(room.test.db, asha, id, saved.revision));
    expect((await standings(room.test.db, [id])).get(id)).toMatchObject({
      state: 'sent_back',
      comment: expect.stringMatching(/^“Holes” fails: mend that, or say why/) as string,
    });
    const said = {
      note: 'Look at the hole, please.',
      arguments: ['hole', 'brief'].map((check) => ({ check, words: 'It is for a very thin wire.' })),
    };
    await inspectHandIn(room.test.db, await handIn(room.test.db, asha, id, saved.revision, said));
    const waiting = await latestHandIn(asha);
    expect(waiting).toMatchObject({ state: 'waiting', ...said, inspection: { verdict: 'fail' } });
    expect((await handInsToReview(room.test.db, teacher)).map((each) => each.id)).toContain(waiting.id);
  });
});

describe('deciding', () => {
  it('approves exactly what was inspected, freezes it, and puts it in the queue', async () => {
    const { teacher, dario } = room.people;
    const { id, solidHash } = await latestHandIn(dario);
    await expect(approve(room.test.db, teacher, id, 'another hash')).rejects.toThrow(
      'not what was inspected',
    );
    await approve(room.test.db, teacher, id, solidHash!);
    const [file] = await room.test.db.select().from(printFiles).where(eq(printFiles.handInId, id));
    expect(file.hash).toBe(solidHash);
    expect(sha256(file.threeMf)).toBe(file.hash);
    const [entry] = await room.test.db
      .select()
      .from(queueEntries)
      .where(eq(queueEntries.printFileId, file.id));
    expect(entry.state).toBe('waiting');
    await expect(approve(room.test.db, teacher, id, solidHash!)).rejects.toThrow('not waiting');
    await expect(sendBack(room.test.db, teacher, id, 'Too late.')).rejects.toThrow('not waiting');
  });

  it('refuses to approve what failed its inspection', async () => {
    const { teacher, bruno } = room.people;
    const { id, solidHash } = await latestHandIn(bruno);
    await expect(approve(room.test.db, teacher, id, solidHash!)).rejects.toThrow(
      'fails, so the printer cannot make this',
    );
  });

  it('refuses to approve a solid that was altered after its inspection', async () => {
    const { teacher, elif } = room.people;
    const { id, solidHash } = await latestHandIn(elif);
    const [{ stl }] = await room.test.db.select().from(solids).where(eq(solids.hash, solidHash!));
    const altered = Uint8Array.from(stl);
    altered[200] ^= 1;
    await room.test.db.update(solids).set({ stl: altered }).where(eq(solids.hash, solidHash!));
    await expect(approve(room.test.db, teacher, id, solidHash!)).rejects.toThrow('altered');
    expect(await latestHandIn(elif)).toMatchObject({ state: 'waiting' });
    expect(await room.test.db.select().from(printFiles).where(eq(printFiles.handInId, id))).toEqual([]);
  });

  it('sends back with a comment, and the student can hand in again', async () => {
    const { teacher, elif } = room.people;
    const { id } = await latestHandIn(elif);
    await expect(sendBack(room.test.db, teacher, id, '  ')).rejects.toThrow('Say in a sentence');
    await sendBack(room.test.db, teacher, id, 'A wider hole, please.');
    const project = await room.test.projectOf(elif);
    expect((await standings(room.test.db, [project.id])).get(project.id)).toMatchObject({
      state: 'sent_back',
      comment: 'A wider hole, please.',
    });
    await handIn(room.test.db, elif, project.id, project.revision);
    expect(await latestHandIn(elif)).toMatchObject({ number: 3, state: 'checking' });
  });

  it('freezes what a part takes by the limits that it is approved by, whatever it took by others', async () => {
    const { teacher, luca } = room.people;
    const { id, revision } = await room.test.projectOf(luca);
    const saved = await saveDesign(
      room.test.db,
      luca,
      id,
      revision,
      designOf(labelRecipe({ words: 'Mint' })),
    );
    await inspectHandIn(room.test.db, await handIn(room.test.db, luca, id, saved.revision));
    const first = await latestHandIn(luca);
    const { brief } = await handInToTeach(room.test.db, teacher, first.id);
    // Soft filament takes longer, and the same solid is inspected again.
    const soft = { ...first.limits, material: 'TPU', filament: undefined };
    await room.test.db.transaction((tx) => holdAgainst(tx, [brief.classId], soft));
    await inspectHandIn(room.test.db, first.id);
    const again = await latestHandIn(luca);
    expect(again).toMatchObject({ id: first.id, state: 'waiting', solidHash: first.solidHash });
    await approve(room.test.db, teacher, again.id, again.solidHash!);
    const [file] = await room.test.db.select().from(printFiles).where(eq(printFiles.handInId, again.id));
    expect(file.estimate.seconds).toBeGreaterThan(1.3 * first.estimate!.seconds);
    expect(file.estimate).toEqual(again.estimate);
  });
});
