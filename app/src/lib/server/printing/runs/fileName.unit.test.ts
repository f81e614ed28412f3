import { expect, it } from 'vitest';
import { fileNameOf } from './fileName.ts';

it.each([
  [12, 'Birch', /^b12-birch-[0-9a-f]{10}\.gcode$/],
  [3, 'Łódź 2', /^b3-lodz-2-[0-9a-f]{10}\.gcode$/],
  [7, '李', /^b7-[a-z?-]*-?[0-9a-f]{10}\.gcode$/],
  [12345, 'The printer by the window', /^b12345-the-printer-b-?[0-9a-f]{10}\.gcode$/],
])(
  'tells batch %d on %s in its first characters, in letters that every printer shows',
  (batch, printer, shape) => {
    const name = fileNameOf(batch, printer);
    expect(name).toMatch(/^[a-z0-9-]+\.gcode$/);
    expect(name).toMatch(shape);
    expect(fileNameOf(batch, printer)).not.toBe(name);
  },
);
