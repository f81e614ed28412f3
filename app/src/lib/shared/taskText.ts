import * as z from 'zod';
import { say } from '@kelbrin/core/words';

/*
 * The task of a brief: formatted text, kept as the tree that the editor makes of it (ProseMirror's JSON). No HTML is
 * kept or shown anywhere: pages draw their own elements from this tree, and what it cannot say cannot get in.
 */

/** Where a picture of a task is found, by the hash of its bytes. */
export const TASK_PICTURES = '/task-picture';
const pictureSource = new RegExp(`^${TASK_PICTURES}/[0-9a-f]{64}$`);

const link = z.object({
  type: z.literal('link'),
  attrs: z.object({
    href: z
      .string()
      .max(500, { error: () => say('a link has at most 500 characters') })
      .regex(/^https?:\/\/[^\s]+$/i, { error: () => say('a link begins with https:// or http://') }),
  }),
});
const mark = z.discriminatedUnion('type', [
  z.object({ type: z.literal('bold') }),
  z.object({ type: z.literal('italic') }),
  link,
]);
export type TaskMark = z.infer<typeof mark>;

const inline = z.discriminatedUnion('type', [
  z.object({ type: z.literal('text'), text: z.string().min(1), marks: z.array(mark).max(3).optional() }),
  z.object({ type: z.literal('hardBreak') }),
]);
export type TaskInline = z.infer<typeof inline>;

const words = z.array(inline).max(400).optional();
const paragraph = z.object({ type: z.literal('paragraph'), content: words });
const heading = z.object({ type: z.literal('heading'), content: words });
const image = z.object({
  type: z.literal('image'),
  attrs: z.object({
    src: z.string().regex(pictureSource, {
      error: () => say('a picture has to be added with the button, not by its address'),
    }),
    alt: z
      .string()
      .max(200, { error: () => say('the words of a picture have at most 200 characters') })
      .nullish(),
  }),
});
const listItem = z.object({
  type: z.literal('listItem'),
  get content(): z.ZodArray<typeof blockInList> {
    return z.array(blockInList).min(1).max(20);
  },
});
export type TaskItem = z.infer<typeof listItem>;
const bulletList = z.object({ type: z.literal('bulletList'), content: z.array(listItem).min(1).max(60) });
const orderedList = z.object({ type: z.literal('orderedList'), content: z.array(listItem).min(1).max(60) });
const blockInList: z.ZodUnion<
  readonly [typeof paragraph, typeof image, typeof bulletList, typeof orderedList]
> = z.union([paragraph, image, bulletList, orderedList]);

const block = z.discriminatedUnion('type', [paragraph, heading, image, bulletList, orderedList]);
export type TaskBlock = z.infer<typeof block>;

const LETTERS = 4000;
const PICTURES = 12;

/** A task as it is kept: blocks of formatted words and pictures. */
export const taskText = z
  .object({
    type: z.literal('doc'),
    content: z.array(block).max(200, { error: () => say('a task has at most 200 paragraphs') }),
  })
  .refine((task) => wordsOf(task).length <= LETTERS, {
    error: () => say('a task has at most {most} characters', { most: LETTERS }),
  })
  .refine((task) => picturesIn(task).length <= PICTURES, {
    error: () => say('a task has at most {most} pictures', { most: PICTURES }),
  })
  // The editor keeps a line to write on at the end.
  .transform((task) => ({ ...task, content: withoutEmptyEnd(task.content) }));
export type TaskText = z.infer<typeof taskText>;

function withoutEmptyEnd(blocks: readonly TaskBlock[]): TaskBlock[] {
  const last = blocks.findLastIndex(({ type, ...block }) => type !== 'paragraph' || 'content' in block);
  return blocks.slice(0, last + 1);
}

/**
 * A task of plain words, a paragraph to a line.
 *
 * @example
 * taskOf('Design a label.') // { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', … }] }] }
 */
export function taskOf(plain: string): TaskText {
  const lines = plain.split('\n').filter((line) => line.trim() !== '');
  return {
    type: 'doc',
    content: lines.map((text) => ({ type: 'paragraph', content: [{ type: 'text', text }] })),
  };
}

/** The words of a task without their formatting, a line to a block. */
export function wordsOf(task: { readonly content: readonly TaskBlock[] }): string {
  const say = (node: TaskBlock | TaskInline | TaskItem): string => {
    if (node.type === 'text') return node.text;
    if (node.type === 'hardBreak') return '\n';
    if (node.type === 'image') return '';
    const between = node.type === 'paragraph' || node.type === 'heading' ? '' : '\n';
    return (node.content ?? []).map(say).join(between);
  };
  return task.content.map(say).join('\n').trim();
}

/** The hashes of the pictures in a task. */
export function picturesIn(task: { readonly content: readonly TaskBlock[] }): string[] {
  const found = JSON.stringify(task).matchAll(new RegExp(`"src":"${TASK_PICTURES}/([0-9a-f]{64})"`, 'g'));
  return [...new Set([...found].map(([, hash]) => hash))];
}
