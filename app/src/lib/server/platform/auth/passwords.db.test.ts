import { hashPassword as otherHash, verifyPassword as otherVerify } from 'better-auth/crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { closePasswords, hashPassword, verifyPassword } from './passwords.ts';

let test: TestDatabase;
beforeAll(async () => (test = await demoSchool()));
afterAll(async () => {
  await closePasswords();
  await test.drop();
});

describe('a password', () => {
  it('is known again by its hash, and no other is', async () => {
    const hash = await hashPassword('Gewächshaus 李');
    expect(await verifyPassword({ password: 'Gewächshaus 李', hash })).toBe(true);
    expect(await verifyPassword({ password: 'Gewächshaus', hash })).toBe(false);
    expect(await hashPassword('Gewächshaus 李')).not.toBe(hash);
  });

  it('is hashed in the form that is stored already', async () => {
    expect(await otherVerify({ password: '284615', hash: await hashPassword('284615') })).toBe(true);
    expect(await verifyPassword({ password: '284615', hash: await otherHash('284615') })).toBe(true);
  });

  it('belongs to no hash that is damaged', async () => {
    for (const hash of ['', 'x', 'salt:', 'salt:00', ':'])
      expect(await verifyPassword({ password: '284615', hash })).toBe(false);
  });

  it('is hashed beside what the process does', async () => {
    let turns = 0;
    const timer = setInterval(() => turns++, 1);
    await Promise.all(Array.from({ length: 12 }, () => hashPassword('284615')));
    clearInterval(timer);
    expect(turns).toBeGreaterThan(20);
  });
});
