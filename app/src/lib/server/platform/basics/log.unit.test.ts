import { DrizzleQueryError } from 'drizzle-orm';
import { expect, it } from 'vitest';
import { logTo } from './log.ts';

function written(what: (log: ReturnType<typeof logTo>) => void): {
  line: string;
  read: Record<string, unknown>;
} {
  const lines: string[] = [];
  what(logTo({ write: (line) => void lines.push(line) }));
  expect(lines).toHaveLength(1);
  return { line: lines[0], read: JSON.parse(lines[0]) as Record<string, unknown> };
}

it('tells what failed, and nothing of whom or with what', () => {
  const cause = Object.assign(new Error('connection lost'), { code: '57P01' });
  const fault = new DrizzleQueryError(
    'select 1 from users where email = $1',
    ['asha@wrenfield.example'],
    cause,
  );
  const { line, read } = written((log) => log.error({ err: fault, handIn: 'h1', person: { id: 'u1', name: 'Asha' } }, 'Inspecting')); // oxfmt-ignore
  expect(read).toMatchObject({ level: 'error', msg: 'Inspecting', handIn: 'h1', person: { id: 'u1' } });
  expect(read.err).toMatchObject({ cause: { message: 'connection lost', code: '57P01' } });
  expect(line).not.toContain('asha@wrenfield');
  expect(line).not.toContain('Asha');
});

it.each(['name', 'email', 'pin', 'password', 'design', 'query', 'token'])(
  'leaves a field %s out, wherever it is',
  (field) => {
    const { line } = written((log) =>
      log.info({ [field]: 'Zoë', a: { [field]: 'Zoë', b: { [field]: 'Zoë' } } }),
    );
    expect(line).not.toContain('Zoë');
  },
);
