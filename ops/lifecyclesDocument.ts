import { format, resolveConfig } from 'prettier';
import { actions } from '../app/src/lib/server/platform/audit.ts';
import type { Move } from '../app/src/lib/server/platform/lifecycle.ts';
import { lifecycles, type KeptLifecycle } from '../app/src/lib/server/lifecycles.ts';

/** docs/lifecycles.md: the states of everything that has some, drawn from the data that moves it. */
export async function lifecyclesDocument(): Promise<string> {
  const words = [
    '# Lifecycles',
    '',
    'What goes through states has one file that says which there are, how it moves from one to another, who may move it, and',
    'what is written down and told with it. That file is the only one that writes the state. This page is made from the same',
    'data by `./run docs`.',
    ...lifecycles.flatMap(section),
  ].join('\n');
  const options = await resolveConfig(new URL('../docs/lifecycles.md', import.meta.url).pathname);
  return format(words, { ...options, parser: 'markdown' });
}

function section({ life, file }: KeptLifecycle): string[] {
  const moves = Object.entries<Move>(life.moves);
  return [
    '',
    `## ${life.thing[0].toUpperCase()}${life.thing.slice(1)}`,
    '',
    `\`app/src/lib/server/${file}\``,
    '',
    '```mermaid',
    'stateDiagram-v2',
    ...moves.flatMap(([name, { from, to }]) =>
      (from.length === 0 ? ['[*]'] : from).map(
        (state) => `  ${state} --> ${to === 'gone' ? '[*]' : to}: ${name}`,
      ),
    ),
    '```',
    '',
    '| state | |',
    '| --- | --- |',
    ...Object.entries(life.states).map(([state, means]) => `| \`${state}\` | ${means} |`),
    '',
    '| move | by | if | written down | heard by | told to |',
    '| --- | --- | --- | --- | --- | --- |',
    ...moves.map(([name, move]) => {
      const { by, when, recorded, announced, noticed } = move;
      const cells = [
        `\`${name}\``,
        by.join(', '),
        when,
        recorded && `“${actions[recorded]}”`,
        announced?.join(', '),
        noticed && `${isTeachers(noticed) ? 'teacher' : 'students'}: \`${noticed}\``,
      ];
      return `| ${cells.map((cell) => cell ?? '').join(' | ')} |`;
    }),
  ];
}

function isTeachers(noticed: NonNullable<Move['noticed']>): boolean {
  return noticed === 'handed_in' || noticed === 'in_doubt' || noticed === 'run_failed';
}
