import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { holdingLock } from './holdLock.ts';
import { root } from './state.ts';

const run = (...words: string[]) => {
  const { status, stdout, stderr } = spawnSync(join(root, 'run'), words, { cwd: '/', encoding: 'utf8' });
  return { status, said: stdout + stderr };
};

it.each(['demo', 'dev', 'test', 'bench', 'db', 'docs', 'screenshots', 'serve', 'backup', 'restore'])(
  'says what ./run %s takes',
  (command) => {
    const { status, said } = run(command, '--help');
    expect(status).toBe(0);
    expect(said).toContain(`usage: ./run ${command}`);
    expect(said).not.toMatch(/\bat .*:\d+:\d+/);
  },
);

it('names a command that there is not', () => {
  expect(run('nonsense')).toMatchObject({
    status: 2,
    said: expect.stringContaining('There is no command “nonsense”') as string,
  });
});

it('does what a lock is for one after the other', async () => {
  const told: string[] = [];
  const work = (name: string) => () => {
    told.push(`${name} begins`);
    return new Promise<void>((resolve) => setTimeout(() => resolve(void told.push(`${name} ends`)), 100));
  };
  await Promise.all([holdingLock('test', work('a')), holdingLock('test', work('b'))]);
  expect(told[1]).toBe(told[0].replace('begins', 'ends'));
});

it('waits for nobody who was killed', async () => {
  const script = `import { holdingLock } from './ops/holdLock.ts';
    await holdingLock('test', () => new Promise(() => setInterval(() => console.log('held'), 50)));`;
  const holder = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', script], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(holder.stdout, 'data');
  holder.kill('SIGKILL');
  expect(await holdingLock('test', () => Promise.resolve('done'))).toBe('done');
});
