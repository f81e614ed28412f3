import { describe, expect, it } from 'vitest';
import { attendedTimes, ordinaryPlanning, planning } from './planning.ts';
import { ordinaryDay } from './schoolDay.ts';

/** A Thursday. */
const from = new Date('2026-12-03T10:00');
const timesOf = (more: object = {}, days = 7) =>
  attendedTimes(ordinaryDay, { ...ordinaryPlanning, ...more }, from, days).map(
    ({ fromMs, toMs, aloneUntilMs }) =>
      [fromMs, toMs, aloneUntilMs].map((ms) => new Date(ms).toLocaleString('sv-SE').slice(5, 16)),
  );

describe('when somebody is in the print room', () => {
  it('begins now, goes on with each school day, and leaves no print alone into the weekend', () => {
    expect(timesOf().slice(0, 3)).toEqual([
      ['12-03 10:00', '12-03 14:50', '12-04 08:40'],
      ['12-04 08:40', '12-04 14:50', '12-04 14:50'],
      ['12-07 08:40', '12-07 14:50', '12-08 08:40'],
    ]);
  });

  it('lets prints run alone over free days where that is allowed', () => {
    expect(timesOf({ isAloneOnFreeDays: true })[1]).toEqual(['12-04 08:40', '12-04 14:50', '12-07 08:40']);
  });

  it('leaves out days without school, and lasts as long as somebody stays', () => {
    expect(timesOf({ freeDays: ['2026-12-04'], until: '17:30' }).slice(0, 2)).toEqual([
      ['12-03 10:00', '12-03 17:30', '12-03 17:30'],
      ['12-07 08:40', '12-07 17:30', '12-08 08:40'],
    ]);
    // Nobody leaves before the last bell.
    expect(timesOf({ until: '12:00' })[0][1]).toBe('12-03 14:50');
  });

  it('takes nothing that is no day or no time', () => {
    expect(planning.safeParse({ ...ordinaryPlanning, weekdays: [] }).error?.issues[0].message).toContain(
      'at least one',
    );
    expect(
      planning.safeParse({ ...ordinaryPlanning, freeDays: ['24 Dec'] }).error?.issues[0].message,
    ).toContain('2026-12-24');
    expect(planning.safeParse({ ...ordinaryPlanning, until: '25:00' }).success).toBe(false);
  });
});
