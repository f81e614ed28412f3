import fc from 'fast-check';
import { pgTable } from 'drizzle-orm/pg-core';
import { expect, it } from 'vitest';
import * as z from 'zod';
import { keptJson, type Migration } from './keptJson.ts';

const size = z.strictObject({ widthMm: z.number(), depthMm: z.number() });
/** A column as the database has it: what is written into it, and read from it. */
function column(older: readonly Migration[] = []) {
  return pgTable('sizes', { size: keptJson('size', size, older)('size') }).size;
}

it('is read as it was written', () => {
  const any = fc.record({
    widthMm: fc.float({ noNaN: true, noDefaultInfinity: true }),
    depthMm: fc.integer(),
  });
  fc.assert(
    fc.property(any, (value) => {
      const read = column().mapFromDriverValue(column().mapToDriverValue(value));
      expect(read).toEqual(JSON.parse(JSON.stringify(value)));
    }),
  );
});

it('brings each older version to the newest, one after the other', () => {
  const older: Migration[] = [
    (value) => ({ width: value, depth: value }),
    (value) => {
      const { width, depth } = value as { width: number; depth: number };
      return { widthMm: width, depthMm: depth };
    },
  ];
  const { mapFromDriverValue, mapToDriverValue } = column(older);
  const read = (stored: unknown) => mapFromDriverValue.call(column(older), stored);
  expect(read({ version: 1, value: 7 })).toEqual({ widthMm: 7, depthMm: 7 });
  expect(read({ version: 2, value: { width: 7, depth: 5 } })).toEqual({ widthMm: 7, depthMm: 5 });
  expect(read({ version: 3, value: { widthMm: 7, depthMm: 5 } })).toEqual({ widthMm: 7, depthMm: 5 });
  expect(
    JSON.parse(mapToDriverValue.call(column(older), { widthMm: 7, depthMm: 5 }) as string),
  ).toMatchObject({ version: 3 });
});

it('says what cannot be read, and where', () => {
  expect(() => column().mapFromDriverValue({ version: 1, value: { widthMm: 'wide', depthMm: 5 } })).toThrow(
    /A stored size cannot be read: [\s\S]*widthMm/,
  );
  expect(() => column().mapFromDriverValue({ version: 2, value: {} })).toThrow(
    /of version 2, which a newer Kelbrin wrote/,
  );
  expect(() => column().mapFromDriverValue({ widthMm: 7, depthMm: 5 })).toThrow();
});
