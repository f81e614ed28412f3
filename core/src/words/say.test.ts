import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import {
  english,
  inPlainWords,
  languageOf,
  languageTag,
  locale,
  pseudo,
  PSEUDO_SIGNS,
  said,
  say,
  sayList,
  speak,
} from './index.ts';

afterEach(() => speak(english));

describe('say', () => {
  it('puts values into a message and chooses words by a count', () => {
    const parts = (count: number) =>
      say('{count, plural, one {One part waits.} other {# parts wait.}}', { count });
    expect(parts(1)).toBe('One part waits.');
    expect(parts(1200)).toBe('1,200 parts wait.');
  });

  it('takes a message without values as it stands', () => {
    expect(say('Without {student} it’s <no> use.')).toBe('Without {student} it’s <no> use.');
  });

  it('writes signs that the syntax has a meaning for where they are quoted', () => {
    expect(say("'{brief}' has no {what}, 3 < 4", { what: 'part' })).toBe('{brief} has no part, 3 < 4');
  });

  it('puts in whatever people wrote, as it is', () => {
    fc.assert(fc.property(fc.string(), (name) => say('“{name}” waits.', { name }) === `“${name}” waits.`));
  });

  it('throws for a place that has no value', () => {
    expect(() => say('{name} waits.', {})).toThrow(/name/);
  });

  it('speaks another language from when it was chosen, and English where that has no words', () => {
    expect(say('{count} parts', { count: 2 })).toBe('2 parts');
    speak({
      tag: 'de',
      locale: 'de-DE',
      translationOf: (message) => ({ '{count} parts': '{count} Teile', Holes: 'Löcher' })[message],
    });
    expect(say('{count} parts', { count: 2 })).toBe('2 Teile');
    expect(say('Holes')).toBe('Löcher');
    expect(say('Walls')).toBe('Walls');
    expect(locale()).toBe('de-DE');
  });
});

it('lists things as people do', () => {
  expect([[], ['a'], ['a', 'b'], ['a', 'b', 'c']].map(sayList)).toEqual(['', 'a', 'a and b', 'a, b and c']);
});

describe('said', () => {
  it('says words when they are read, so that a module can be loaded before the language is chosen', () => {
    const words = said({
      title: 'Holes',
      deep: { list: ['Walls', 'Gaps'] },
      count: 3,
      twice: (n: number) => 2 * n,
    });
    speak(pseudo);
    expect(words.title).toBe(say('Holes'));
    expect(words.deep.list.map((each) => each)).toEqual([say('Walls'), say('Gaps')]);
    expect([words.count, words.twice(2)]).toEqual([3, 4]);
  });

  it('leaves the strings of other keys alone where keys are named', () => {
    const [field] = said([{ label: 'Line width', unit: 'mm', path: ['lineWidthMm'] }], ['label']);
    speak(pseudo);
    expect(field).toEqual({ label: say('Line width'), unit: 'mm', path: ['lineWidthMm'] });
  });
});

describe('the pseudo-language', () => {
  it('leaves no English letters, and is longer by 40 %', () => {
    speak(pseudo);
    const words = say('Nothing flat touches the plate, so the part comes loose.');
    expect(words).not.toMatch(/[a-zA-Z]/);
    expect(words.length / 'Nothing flat touches the plate, so the part comes loose.'.length).toBeGreaterThan(
      1.3,
    );
    expect([words[0], words.at(-1)]).toEqual([...PSEUDO_SIGNS]);
  });

  it('keeps places, counts and what people wrote', () => {
    speak(pseudo);
    const words = say('{name} has {count, plural, one {one part} other {# parts}}', {
      name: 'Asha',
      count: 3,
    });
    expect(words).toContain('Asha');
    expect(words).toContain('3');
    expect(words.replace('Asha', '')).not.toMatch(/[a-zA-Z]/);
  });

  it('says nothing twice', () => {
    speak(pseudo);
    expect(say(say('Holes'))).toBe(say('Holes'));
  });
});

it('knows its languages by their tags', () => {
  expect(languageOf('en-XA')).toBe(pseudo);
  expect([languageOf('en'), languageOf('xx'), languageOf(undefined)]).toEqual([english, english, english]);
});

describe('plain words', () => {
  it('stand for those of the trade where they are spoken, and leave all else', () => {
    speak(inPlainWords(english));
    expect([say('Extrude'), say('Overhang'), say('Cut a hole')]).toEqual([
      'Raise',
      'Hangs over',
      'Cut a hole',
    ]);
    expect(say('This face leans out by {measured}° with nothing under it', { measured: 60 })).toBe(
      'This side hangs over by 60° and has nothing under it',
    );
    // A worker is given the tag, and speaks alike.
    expect(languageOf(languageTag()).translationOf('Extrude')).toBe('Raise');
  });

  it('are those of English alone', () => {
    expect(inPlainWords(pseudo)).toBe(pseudo);
  });
});
