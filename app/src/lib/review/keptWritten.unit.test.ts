import { beforeEach, describe, expect, it } from 'vitest';
import { KeptWritten } from './keptWritten.svelte.ts';
import { nothingWritten } from './written.ts';

let texts: Map<string, string>;
const writtenBy = (teacherId: string) =>
  new KeptWritten(
    { getItem: (key) => texts.get(key) ?? null, setItem: (key, text) => void texts.set(key, text) },
    teacherId,
  );
beforeEach(() => {
  texts = new Map();
});

describe('what is written in the review', () => {
  it('is there again after the page was loaded anew, on each hand-in its own', () => {
    const before = writtenBy('fenwick');
    before.write('one', { comment: 'Łódź: rounder, please', remark: '' });
    before.write('two', { comment: '', remark: 'too thin', reasons: { hole: 'for a wire' } });
    const after = writtenBy('fenwick');
    expect(after.on('one')).toEqual({ comment: 'Łódź: rounder, please', remark: '' });
    expect(after.on('two')).toEqual({ comment: '', remark: 'too thin', reasons: { hole: 'for a wire' } });
    expect(after.on('three')).toEqual(nothingWritten);
  });

  it('is one teacher’s alone', () => {
    writtenBy('fenwick').write('one', { comment: 'rounder', remark: '' });
    expect(writtenBy('quill').on('one')).toEqual(nothingWritten);
  });

  it('is not kept of what nothing is written on any more', () => {
    const before = writtenBy('fenwick');
    before.write('one', { comment: 'rounder', remark: '' });
    before.write('one', { comment: '', remark: '', reasons: { hole: '' } });
    expect([...texts.values()]).toEqual(['{}']);
  });

  it('takes a remark back that did not arrive, before what was written since', () => {
    const written = writtenBy('fenwick');
    written.write('one', { comment: 'rounder', remark: 'and thicker' });
    written.giveBack('one', 'wider');
    expect(written.on('one')).toEqual({ comment: 'rounder', remark: 'wider and thicker' });
  });
});
