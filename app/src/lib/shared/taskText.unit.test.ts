import fc from 'fast-check';
import { expect, test } from 'vitest';
import { picturesIn, taskOf, taskText, wordsOf } from './taskText.ts';

const hash = 'ab'.repeat(32);
const paragraph = (text: string, marks?: unknown[]) => ({
  type: 'paragraph',
  content: [{ type: 'text', text, ...(marks ? { marks } : {}) }],
});

test('keeps headings, lists, emphasis, links and pictures, and drops what it does not know of them', () => {
  const task = {
    type: 'doc',
    content: [
      { type: 'heading', attrs: { level: 3 }, content: [{ type: 'text', text: 'Your label' }] },
      {
        type: 'bulletList',
        content: [{ type: 'listItem', content: [paragraph('short', [{ type: 'bold' }])] }],
      },
      paragraph('see', [{ type: 'link', attrs: { href: 'https://wrenfield.example', onclick: 'x()' } }]),
      { type: 'image', attrs: { src: `/task-picture/${hash}`, alt: 'A sketch', onerror: 'x()' } },
    ],
  };
  const kept = taskText.parse(task);
  expect(wordsOf(kept)).toBe('Your label\nshort\nsee');
  expect(picturesIn(kept)).toEqual([hash]);
  expect(JSON.stringify(kept)).not.toMatch(/onclick|onerror/);
});

test('ends with its last words, and not with the empty line that an editor keeps', () => {
  const { content } = taskText.parse({
    type: 'doc',
    content: [paragraph('one'), { type: 'paragraph' }, paragraph('two'), { type: 'paragraph' }],
  });
  expect(content).toHaveLength(3);
});

test.each([
  ['a link that runs script', paragraph('x', [{ type: 'link', attrs: { href: 'javascript:alert(1)' } }])],
  ['a picture from elsewhere', { type: 'image', attrs: { src: 'https://tracker.example/a.png' } }],
  ['a picture that is a document', { type: 'image', attrs: { src: 'data:text/html,<script>' } }],
  ['a block of HTML', { type: 'html', content: '<script>alert(1)</script>' }],
  ['words that are no text', { type: 'paragraph', content: [{ type: 'text', text: { html: 'x' } }] }],
])('refuses %s', (_, block) => {
  expect(taskText.safeParse({ type: 'doc', content: [block] }).success).toBe(false);
});

test('says how long a task may be', () => {
  expect(taskText.safeParse(taskOf('a'.repeat(4001))).error?.issues[0].message).toBe(
    'a task has at most 4000 characters',
  );
  expect(taskText.safeParse(taskOf('a'.repeat(4000))).success).toBe(true);
});

test('plain words come back as they were', () => {
  const line = fc
    .string({ minLength: 1, maxLength: 30 })
    .filter((words) => /^[^\s].*[^\s]$|^\S$/.test(words));
  fc.assert(
    fc.property(fc.array(line, { minLength: 1, maxLength: 8 }), (lines) => {
      const task = taskOf(lines.join('\n'));
      expect(wordsOf(taskText.parse(JSON.parse(JSON.stringify(task))))).toBe(lines.join('\n'));
    }),
  );
});
