import { expect, it } from 'vitest';
import { classroomLimits } from '../../inspect/index.ts';
import { materialNamed, sameMaterial, settingsFor } from '../index.ts';

it('knows materials however people write them, and treats unknown ones like PLA', () => {
  expect(sameMaterial('PLA', ' pla ')).toBe(true);
  expect(sameMaterial('PLA', 'PETG')).toBe(false);
  expect(materialNamed('petg')).toEqual(materialNamed('PETG '));
  expect(materialNamed('corn')).toEqual(materialNamed('PLA'));
});

it('prints each material as hot as it needs, and counts its weight', () => {
  const hot = settingsFor({ ...classroomLimits, material: 'PETG' });
  const everyday = settingsFor(classroomLimits);
  expect(hot.nozzleC).toBeGreaterThan(everyday.nozzleC);
  expect(hot.bedC).toBeGreaterThan(everyday.bedC);
  expect(hot.filamentGramsPerCm3).toBeGreaterThan(everyday.filamentGramsPerCm3);
});
