import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { LiveHub } from './hub.ts';
import { announce, type Topic } from './topics.ts';

let test: TestDatabase;
beforeAll(async () => (test = await demoSchool()));
afterAll(() => test.drop());

it('passes news of a topic on to those who follow it, and to no one else', async () => {
  const hub = new LiveHub(test.sql);
  const heard: Topic[] = [];
  const other: Topic[] = [];
  const unfollow = await hub.follow(['project:1', 'printroom'], (topic) => heard.push(topic));
  await hub.follow(['project:2'], (topic) => other.push(topic));
  // Everyone is told once when the connection stands, since news may have been missed before.
  heard.length = other.length = 0;
  await announce(test.db, 'project:1', 'class:1', 'printroom');
  await vi.waitFor(() => expect(heard).toEqual(['project:1', 'printroom']));
  expect(other).toEqual([]);
  unfollow();
  await announce(test.db, 'printroom', 'project:2');
  await vi.waitFor(() => expect(other).toEqual(['project:2']));
  expect(heard).toHaveLength(2);
});

it('tells nothing of a transaction that was rolled back', async () => {
  const hub = new LiveHub(test.sql);
  const heard: Topic[] = [];
  await hub.follow(['project:3', 'project:4'], (topic) => heard.push(topic));
  heard.length = 0;
  await test.db
    .transaction(async (tx) => {
      await announce(tx, 'project:3');
      throw new Error('rolled back');
    })
    .catch(() => {});
  await announce(test.db, 'project:4');
  await vi.waitFor(() => expect(heard).toEqual(['project:4']));
});

it('knows for how long nothing was heard of what a page follows, but not from before it listened', async () => {
  const hub = new LiveHub(test.sql);
  expect(hub.quietMs(['project:5'])).toBe(0);
  let heardMs = 0;
  await hub.follow(['project:5', 'project:6'], () => (heardMs = performance.now()));
  const begunMs = performance.now();
  await new Promise((resolve) => setTimeout(resolve, 60));
  await announce(test.db, 'project:5');
  await vi.waitFor(() => expect(heardMs).toBeGreaterThan(begunMs + 50));
  const quietMs = hub.quietMs(['project:6']);
  expect(quietMs).toBeGreaterThan(heardMs - begunMs);
  expect(hub.quietMs(['project:5', 'project:6'])).toBeLessThan(quietMs);
});
