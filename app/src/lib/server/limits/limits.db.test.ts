import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { classroomLimits } from '@kelbrin/core/inspect';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { compute } from '../platform/compute/compute.ts';
import { auditLog, classes, handIns, limitsCards, printers } from '../platform/db/schema/index.ts';
import { school } from '../demo/school.ts';
import { inspectHandIn } from '../handIns/inspectHandIn.ts';
import { createClass } from '../people/newClass.ts';
import { startPart } from '../printing/runs/startBatch.ts';
import { wholeQueue } from '../testing/wholeQueue.ts';
import { undoDecision } from '../review/decide.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { cardsOf, cardToEdit, chooseCard, createCard, deleteCard, saveCard } from './cards.ts';
import { recheckApproval } from '../handIns/recheck.ts';
import { startChecks } from '../../shared/startChecks.ts';

let test: TestDatabase;
let teacher: Person;
let cardId: string;
let wren: string;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  [{ id: wren, limitsCardId: cardId }] = await test.db.select().from(classes);
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});

const draft = { name: 'Classroom printer', printerModel: 'Classroom 220', card: classroomLimits };
const stateOf = async (id: string) => (await test.db.select().from(handIns).where(eq(handIns.id, id)))[0];

it('is created like another, changed, and deleted unless a class goes by it', async () => {
  const id = await createCard(test.db, teacher, cardId);
  await saveCard(test.db, teacher, id, {
    ...draft,
    name: 'Fine nozzle',
    card: { ...classroomLimits, nozzleMm: 0.25 },
  });
  expect(await cardToEdit(test.db, teacher, id)).toMatchObject({
    name: 'Fine nozzle',
    card: { nozzleMm: 0.25 },
  });
  const other = await createClass(test.db, teacher, 'Year 7, Heron group');
  await chooseCard(test.db, teacher, other, id);
  expect((await cardsOf(test.db, teacher)).find((card) => card.id === id)!.classes).toEqual([
    'Year 7, Heron group',
  ]);
  await expect(deleteCard(test.db, teacher, id)).rejects.toThrow('Year 7, Heron group uses this card');
  await chooseCard(test.db, teacher, other, cardId);
  await deleteCard(test.db, teacher, id);
  await expect(cardToEdit(test.db, teacher, id)).rejects.toThrow(NotAllowed);
  const log = await test.db.select().from(auditLog).where(eq(auditLog.subjectId, id));
  expect(log.map(({ action }) => action)).toEqual(['create-card', 'edit-card', 'choose-card', 'delete-card']);
});

it.each([
  [{ name: ' ' }, 'Name: say what it is called.'],
  [{ card: { ...classroomLimits, maxOverhangDeg: 91 } }, /^Steepest overhang: /],
  [{ card: { ...classroomLimits, minHoleMm: null } }, /^Smallest hole: /],
  [
    { card: { ...classroomLimits, layerMm: 0.25 } },
    'Layer heights allowed: the usual layer height has to be one of them.',
  ],
  [{ card: { ...classroomLimits, layerHeightsMm: [] } }, 'Layer heights allowed: allow at least one.'],
  [{ card: { ...classroomLimits, wishes: 1 } }, /^The card: /],
])('refuses %j with the field that is wrong', async (change, message) => {
  await expect(saveCard(test.db, teacher, cardId, { ...draft, ...change })).rejects.toThrow(message);
  expect((await cardToEdit(test.db, teacher, cardId)).card).toEqual(classroomLimits);
});

it('has what waits inspected anew, and marks approvals that no longer hold until they are decided on anew', async () => {
  const wider = { ...classroomLimits, minHoleMm: 4.8 };
  const { waiting, approved } = await saveCard(test.db, teacher, cardId, { ...draft, card: wider });
  expect(waiting.length).toBeGreaterThan(1);
  expect(await stateOf(waiting[0])).toMatchObject({ state: 'checking', limits: { minHoleMm: 4.8 } });
  for (const id of waiting) await inspectHandIn(test.db, id);

  const entries = (await wholeQueue(test.db, teacher)).filter(({ state }) => state === 'waiting');
  expect([...approved].sort()).toEqual(entries.map(({ handInId }) => handInId).sort());
  for (const id of approved) await recheckApproval(test.db, id);
  const doubted = (await wholeQueue(test.db, teacher)).find(({ handInId }) => handInId === approved[0])!;
  expect(doubted.doubt).toBe('Since the limits card was changed, this fails: “Holes”.');
  // What was inspected for the approval stays as it was.
  expect(await stateOf(approved[0])).toMatchObject({ state: 'approved', limits: { minHoleMm: 2 } });
  const [printer] = await test.db.select().from(printers).where(eq(printers.name, 'Birch'));
  await test.db
    .update(printers)
    .set({ status: { online: true, nozzleC: 20, nozzleTargetC: 0, bedC: 20, bedTargetC: 0 } })
    .where(eq(printers.id, printer.id));
  await expect(startPart(test.db, teacher, doubted.id, printer.id, startChecks)).rejects.toThrow(
    'decide on it again',
  );

  await undoDecision(test.db, teacher, approved[0]);
  expect(await stateOf(approved[0])).toMatchObject({
    state: 'checking',
    doubt: null,
    limits: { minHoleMm: 4.8 },
  });

  const back = await saveCard(test.db, teacher, cardId, draft);
  for (const id of back.approved) await recheckApproval(test.db, id);
  expect((await wholeQueue(test.db, teacher)).filter(({ doubt }) => doubt !== null)).toEqual([]);
});

it('is the school’s or a teacher’s own, and nobody else’s', async () => {
  const mine = await createCard(test.db, teacher);
  const stranger = await test.otherTeacher();
  expect((await cardsOf(test.db, stranger)).map(({ id }) => id)).toEqual([cardId]);
  await expect(cardToEdit(test.db, stranger, mine)).rejects.toThrow(NotAllowed);
  await expect(saveCard(test.db, stranger, mine, draft)).rejects.toThrow(NotAllowed);
  await expect(deleteCard(test.db, stranger, mine)).rejects.toThrow(NotAllowed);
  await expect(chooseCard(test.db, stranger, wren, cardId)).rejects.toThrow(NotAllowed);
  for (const person of [await test.person('Asha'), await test.person(school.helper.name)]) {
    await expect(cardsOf(test.db, person)).rejects.toThrow(NotAllowed);
    await expect(createCard(test.db, person)).rejects.toThrow(NotAllowed);
    await expect(saveCard(test.db, person, cardId, draft)).rejects.toThrow(NotAllowed);
    await expect(chooseCard(test.db, person, wren, mine)).rejects.toThrow(NotAllowed);
  }
  expect(await test.db.$count(limitsCards)).toBe(2);
});
