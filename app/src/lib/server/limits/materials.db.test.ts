import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { materialNamed } from '@kelbrin/core/machine';
import { materialFields } from '../../shared/materialDraft.ts';
import { school } from '../demo/school.ts';
import { recheckApproval } from '../handIns/recheck.ts';
import { cardsOf, saveCard } from './cards.ts';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { batches, handIns, spools } from '../platform/db/schema/index.ts';
import { gcodeOfBatch } from '../printing/batches/gcode.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { materialsOf, needsOf } from '../printers/materials.ts';
import { addSpool, spoolsOf } from '../printers/spools.ts';
import { removeMaterial, saveMaterial } from './changeMaterial.ts';

let test: TestDatabase;
let teacher: Person;
let helper: Person;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  helper = await test.person(school.helper.name);
});
afterAll(() => test.drop());

/** A form as a teacher sends it: what is usual of a material, but for what is named. */
const form = (name: string, change: Record<string, string> = {}) => {
  const needs = materialNamed(name);
  const figures = materialFields
    .flatMap(({ fields }) => fields)
    .map(({ key, per }) => [key, String(needs[key] * per)]);
  return { ...Object.fromEntries(figures), name, pricePerKg: '', drying: '', ...change };
};
const save = (change: Record<string, string>, id?: string, name = 'PLA') =>
  saveMaterial(test.db, teacher, form(name, change), id).then((saved) => saved.id);
const printedAt = async () => {
  const [batch] = await test.db.select().from(batches).limit(1);
  return /M104 S(\d+)/.exec((await gcodeOfBatch(test.db, batch.id)).gcode)?.[1];
};

it('has what waits and what was approved held against its limits anew', async () => {
  const states = async () =>
    (await test.db.select({ state: handIns.state }).from(handIns)).map(({ state }) => state);
  const count = (all: readonly string[], state: string) => all.filter((each) => each === state).length;
  const before = await states();
  expect(count(before, 'waiting')).toBeGreaterThan(0);
  const { id, again } = await saveMaterial(test.db, teacher, form('PLA', { wallMmPerS: '1' }));
  expect(again.waiting).toHaveLength(count(before, 'waiting'));
  expect(count(await states(), 'checking')).toBe(count(before, 'checking') + again.waiting.length);
  expect(again.approved.length).toBeGreaterThan(0);
  // Of an approval that no longer holds, the reason is said with it.
  const doubts = async () => {
    for (const handInId of again.approved) await recheckApproval(test.db, handInId);
    return (await test.db.select({ doubt: handIns.doubt }).from(handIns)).filter(
      ({ doubt }) => doubt !== null,
    );
  };
  expect((await doubts())[0].doubt).toContain('“Time”');
  await removeMaterial(test.db, teacher, id);
  expect(await doubts()).toEqual([]);
});

it('is printed as the school has noted, what was approved before included, until it is forgotten', async () => {
  expect(await printedAt()).toBe('210');
  const id = await save({ nozzleC: '195', flow: '97,5', fanShare: '80 ' });
  expect(await needsOf(test.db, ' pla')).toMatchObject({ nozzleC: 195, flow: 0.975, fanShare: 0.8 });
  expect(await printedAt()).toBe('195');
  const [{ limits }] = await test.db.select().from(handIns).limit(1);
  expect(limits.filament?.nozzleC).toBe(195);

  // A card that is saved keeps to it, and one of another material does not.
  const [card] = await cardsOf(test.db, teacher);
  const { name, printerModel, card: own } = card;
  await saveCard(test.db, teacher, card.id, { name, printerModel, card: own });
  expect((await cardsOf(test.db, teacher))[0].card.filament?.nozzleC).toBe(195);
  await saveCard(test.db, teacher, card.id, { name, printerModel, card: { ...own, material: 'PETG' } });
  expect((await cardsOf(test.db, teacher))[0].card.filament).toBeUndefined();
  await saveCard(test.db, teacher, card.id, { name, printerModel, card: own });

  await save({ nozzleC: '200', name: 'pla' }, id);
  expect(await printedAt()).toBe('200');
  // Under another name it is another material.
  await save({ name: 'PLA tough' }, id);
  expect(await printedAt()).toBe('210');
  expect((await needsOf(test.db, 'PLA')).nozzleC).toBe(210);
  await save({ nozzleC: '205' }, id);
  expect(await printedAt()).toBe('205');
  await removeMaterial(test.db, teacher, id);
  expect(await printedAt()).toBe('210');
  expect(await materialsOf(test.db, helper)).toEqual([]);
});

it('says its price and how it is dried where its rolls are', async () => {
  const id = await save({ pricePerKg: '24,50', drying: '6 h at 60 °C' }, undefined, 'PETG');
  const roll = { material: 'petg ', colour: '#224466', colourName: 'night blue', gramsLeft: '750' };
  const number = await addSpool(test.db, helper, roll);
  const dear = await addSpool(test.db, helper, { ...roll, pricePerKg: '30' });
  const listed = await spoolsOf(test.db, helper);
  const of = (wanted: number) => listed.find(({ spool }) => spool.number === wanted)!;
  expect(of(number)).toMatchObject({ spool: { pricePerKg: 24.5 }, drying: '6 h at 60 °C' });
  expect(of(dear).spool.pricePerKg).toBe(30);
  await test.db.delete(spools).where(eq(spools.number, number));
  await removeMaterial(test.db, teacher, id);
});

it('is noted once, by teachers, and with figures that can be', async () => {
  const id = await save({}, undefined, 'TPU');
  await expect(save({ name: ' tpu ' }, undefined, 'TPU')).rejects.toThrow('noted already');
  await expect(save({ nozzleC: '90' })).rejects.toThrow('Temperatures, nozzle: At least 150');
  await expect(save({ bedC: '' })).rejects.toThrow('Temperatures, plate: Say a number from 0 to 200.');
  await expect(save({ name: ' ' })).rejects.toThrow('Say what it is called');
  await expect(saveMaterial(test.db, helper, form('ABS'))).rejects.toThrow(NotAllowed);
  await expect(removeMaterial(test.db, helper, id)).rejects.toThrow(NotAllowed);
  const student = await test.person('Asha');
  await expect(materialsOf(test.db, student)).rejects.toThrow(NotAllowed);
  await expect(save({}, '0b0e6f2c-0000-4000-8000-000000000000')).rejects.toThrow(NotAllowed);
});
