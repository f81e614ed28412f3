import { expect, it } from 'vitest';
import { classroomLimits } from '../../inspect/index.ts';
import { estimate, materialNamed, sameMaterial, settingsFor, type PrintSettings } from '../index.ts';

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

// As the rolls of the common materials say; a change changes prints of every school.
it.each([
  ['PLA', [210, 60, 1.24, 1, 2]],
  ['PETG', [240, 80, 1.27, 0.4, 3]],
  ['TPU', [225, 50, 1.21, 0.6, 2]],
  ['ABS', [245, 100, 1.04, 0, 0]],
  ['ASA', [250, 100, 1.07, 0.1, 4]],
])('prints %s at °C, on °C, at g/cm³, with so much fan, after so many layers: %j', (name, values) => {
  const { nozzleC, bedC, gramsPerCm3, fanShare, stillLayers } = materialNamed(name);
  expect([nozzleC, bedC, gramsPerCm3, fanShare, stillLayers]).toEqual(values);
});

it('prints what sticks or bends more slowly, as its rolls say, whichever way of printing is chosen', () => {
  const of = (material: string, set: 'everyday' | 'detail' = 'everyday') =>
    settingsFor({ ...classroomLimits, material }, set);
  const speeds = ({ firstLayerMmPerS, wallMmPerS, infillMmPerS, spanMmPerS }: PrintSettings) => [
    firstLayerMmPerS,
    wallMmPerS,
    infillMmPerS,
    spanMmPerS,
  ];
  expect(speeds(of('PLA'))).toEqual([20, 40, 60, 25]);
  expect(speeds(of('ABS'))).toEqual(speeds(of('PLA')));
  expect(speeds(of('PETG'))).toEqual([15, 25, 35, 20]);
  expect(speeds(of('TPU'))).toEqual([12, 18, 22, 15]);
  expect(of('PLA', 'detail').wallMmPerS).toBe(30);
  expect(of('PETG', 'detail').wallMmPerS).toBe(25);
  expect([of('TPU').retractMm, of('TPU').retractMmPerS]).toEqual([1.2, 20]);
});

it('prints as the school has noted it of its own filament, and pushes so much more or less', () => {
  const own = { ...materialNamed('PLA'), nozzleC: 195, wallMmPerS: 22, flow: 0.95, gramsPerCm3: 1.3 };
  const settings = settingsFor({ ...classroomLimits, material: 'Corn', filament: own }, 'detail');
  expect(settings).toMatchObject({ nozzleC: 195, wallMmPerS: 22, flow: 0.95, filamentGramsPerCm3: 1.3 });
  const line = { role: 'wall', points: [[0, 0], [100, 0]], closed: false, widthMm: 0.45 } as const; // oxfmt-ignore
  const toolpath = { layers: [{ zMm: 0.2, thickMm: 0.2, pace: 1, paths: [line] }] };
  const mm = (flow: number) => estimate(toolpath, { ...settings, flow }).filamentMm;
  expect(mm(0.95) / mm(1)).toBeCloseTo(0.95, 6);
});
