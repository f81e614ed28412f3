import { expect, it } from 'vitest';
import { classroomLimits } from '../../inspect/index.ts';
import { choiceOfPart, partChoice, settingsOf, type PrintChoice } from './settingSets.ts';

const plate: PrintChoice = { set: 'everyday', infillShare: 0.2, wallLines: 2, brimMm: 3 };

it('has a part as its plate has it, but for what was chosen for it alone', () => {
  expect(choiceOfPart(plate, undefined)).toEqual(plate);
  expect(choiceOfPart(plate, { wallLines: undefined })).toEqual(plate);
  const settings = settingsOf(classroomLimits, choiceOfPart(plate, { wallLines: 4 }));
  expect(settings).toEqual({ ...settingsOf(classroomLimits, plate), wallLines: 4 });
});

it('lets nothing be chosen for one part that all of a plate share', () => {
  for (const shared of [{ set: 'trial' }, { isAdapted: true }, { brimMm: 2 }, { hopMm: 1 }, { layerMm: 0.3 }])
    expect(partChoice.safeParse(shared).success, JSON.stringify(shared)).toBe(false);
  expect(partChoice.safeParse({ infillShare: 1, infillWay: 'honeycomb', seam: 'behind' }).success).toBe(true);
  expect(partChoice.safeParse({ wallLines: 11 }).success).toBe(false);
});
