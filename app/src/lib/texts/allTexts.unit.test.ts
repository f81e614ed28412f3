import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'svelte/compiler';
import { expect, it } from 'vitest';

const source = join(import.meta.dirname, '../..');
const components = readdirSync(source, { recursive: true, encoding: 'utf8' }).filter((path) =>
  path.endsWith('.svelte'),
);

/** What is the same in every language: units, file endings, formulas, the name. */
const SAME_EVERYWHERE = new Set(['Kelbrin', '· Kelbrin', 'mm', 'mm²', 'cm³', 'min', 'min,', '.3mf']);
SAME_EVERYWHERE.add('2in').add('cane + 0.4').add('width / 2');

/** Attributes that people read or hear. */
const READ = /^(aria-label|title|placeholder|alt|label)$/;

interface Node {
  readonly type?: string;
  readonly name?: string;
  readonly data?: string;
}

/** The words that stand in a component's own markup, in elements and in attributes that are read. */
function wordsIn(node: unknown, parent?: Node): string[] {
  if (Array.isArray(node)) return node.flatMap((each) => wordsIn(each, parent));
  if (node === null || typeof node !== 'object') return [];
  const { type, data } = node as Node;
  if (type === 'Text') {
    const isRead = parent?.type !== 'Attribute' || READ.test(parent.name ?? '');
    const words = (data ?? '').trim().replace(/\s+/g, ' ');
    return isRead && /\p{L}{2}/u.test(words) && !SAME_EVERYWHERE.has(words) ? [words] : [];
  }
  const self = type ? (node as Node) : parent;
  return Object.values(node).flatMap((child) => wordsIn(child, self));
}

it('leaves no words in the markup of a component, so that all of them are found here and can be translated', () => {
  expect(components.length).toBeGreaterThan(50);
  const left = components.flatMap((path) => {
    const { fragment } = parse(readFileSync(join(source, path), 'utf8'), { modern: true });
    return wordsIn(fragment).map((words) => `${path}: ${words}`);
  });
  expect(left).toEqual([]);
});

/** Strings of scripts that nobody reads: of styles and of the framework. */
const READ_BY_PROGRAMS = new Set([
  "'Atkinson Hyperlegible Next', sans-serif",
  'Not Found',
  ':scope > li[data-step]',
  '(prefers-reduced-motion: reduce)',
  'measured mt-1',
]);

/** Whether a string has words with a blank between them, other than names of classes for the look, which have hyphens. */
function isSentence(words: string): boolean {
  const pieces = words.split(/\s+/).filter((piece) => /\p{L}{2}/u.test(piece));
  return pieces.some((piece) => !piece.includes('-')) && /\p{L}\s+\S|\S\s+\p{L}/u.test(words);
}

/** The strings of a component's script that read like words for people. */
function sentencesIn(node: unknown): string[] {
  if (Array.isArray(node)) return node.flatMap(sentencesIn);
  if (node === null || typeof node !== 'object') return [];
  const { type, value } = node as { type?: string; value?: unknown };
  if (type === 'ImportDeclaration' || type?.startsWith('TSType') || type?.startsWith('TSInterface'))
    return [];
  const words =
    type === 'Literal'
      ? value
      : type === 'TemplateElement'
        ? (value as { cooked: string }).cooked
        : undefined;
  if (typeof words === 'string')
    return isSentence(words) && !READ_BY_PROGRAMS.has(words) ? [words.trim()] : [];
  return Object.values(node).flatMap(sentencesIn);
}

it('leaves no sentences in the script of a component either', () => {
  const left = components.flatMap((path) => {
    const { instance, module } = parse(readFileSync(join(source, path), 'utf8'), { modern: true });
    return sentencesIn([instance?.content, module?.content]).map((words) => `${path}: ${words}`);
  });
  expect(left).toEqual([]);
});
