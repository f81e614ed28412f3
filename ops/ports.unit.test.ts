import { createServer } from 'node:net';
import { expect, test } from 'vitest';
import { freePort } from './state.ts';

test('a port stays free for a process that is started again: no outgoing connection is given it', async () => {
  for (let i = 0; i < 20; i++) expect(await freePort()).toBeLessThan(32_768);
});

test('a wished port is taken where it is free, and another where it is not', async () => {
  const wished = await freePort();
  expect(await freePort(wished)).toBe(wished);
  const other = createServer();
  await new Promise<void>((listening) => other.listen(wished, '127.0.0.1', listening));
  expect(await freePort(wished)).not.toBe(wished);
  await new Promise((closed) => other.close(closed));
});
