import { afterAll, beforeAll, expect, it } from 'vitest';
import { classroomLimits } from '@kelbrin/core/inspect';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { currencyOf, setCurrency } from './currency.ts';
import { school } from '../demo/school.ts';
import { cardsOf, cardToEdit, createCard, saveCard } from './cards.ts';
import { schoolDayOf, setSchoolDay } from '../printers/schoolDay.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';

let test: TestDatabase;
let teacher: Person;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
});
afterAll(() => test.drop());

it('is the same on every card, whatever a card was saved with', async () => {
  await setCurrency(test.db, teacher, ' gbp ');
  expect(await currencyOf(test.db)).toBe('GBP');
  const cards = await cardsOf(test.db, teacher);
  expect(new Set(cards.map(({ card }) => card.currency))).toEqual(new Set(['GBP']));
  const id = await createCard(test.db, teacher);
  const draft = { name: 'Fine', printerModel: '', card: { ...classroomLimits, currency: 'USD' } };
  await saveCard(test.db, teacher, id, draft);
  expect((await cardToEdit(test.db, teacher, id)).card.currency).toBe('GBP');
});

it('stays when the bells are changed, and the other way round', async () => {
  await setSchoolDay(test.db, teacher, '09:00 09:45');
  await setCurrency(test.db, teacher, 'CHF');
  expect(await schoolDayOf(test.db)).toHaveLength(1);
  expect(await currencyOf(test.db)).toBe('CHF');
});

it.each(['', '€', 'EURO', 'E1R'])('is not “%s”', async (words) => {
  await expect(setCurrency(test.db, teacher, words)).rejects.toThrow('A currency is a code');
});

it('is one that there is', async () => {
  await expect(setCurrency(test.db, teacher, 'gpb')).rejects.toThrow('GPB is no currency');
});

it('is set by teachers alone', async () => {
  const student = await test.person('Asha');
  await expect(setCurrency(test.db, student, 'EUR')).rejects.toThrow(NotAllowed);
});
