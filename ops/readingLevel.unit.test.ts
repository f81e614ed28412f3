import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { expect, it } from 'vitest';
import { plainEnglish } from '@kelbrin/core/words';
import { plainWords } from '../core/src/words/plainWords.ts';
import { messagesIn, sourcesOf } from './messages.ts';
import { readingDocument, studentReadings } from './readingLevel.ts';
import { root } from './state.ts';

const readings = studentReadings();

it('can be read by ten-year-olds on every screen, and no sentence is far beyond them', () => {
  expect(readings.map(({ screen }) => screen)).toContain('The bench');
  for (const { level, grade, sentences } of readings.filter((each) => each.level === 'plain')) {
    expect(level).toBe('plain');
    expect(sentences.length).toBeGreaterThan(80);
    expect(grade).toBeLessThanOrEqual(5);
    for (const { words, grade: own } of sentences) expect(own, words).toBeLessThanOrEqual(10);
  }
});

it('holds words that a plain one stands for in no sentence of the bench', () => {
  const { words } = readings.find(({ screen, level }) => screen === 'The bench' && level === 'plain')!;
  for (const trade of ['chamfered', 'countersunk', 'counterbored', 'ellipse', 'polygon', 'eyelet'])
    expect(words).not.toContain(trade);
});

it('is listed as it is; ./run docs writes it', () => {
  expect(readFileSync(join(root, 'docs/reading.md'), 'utf8')).toBe(readingDocument(readings));
});

it('has plain words for messages that there are, with the same places for values', () => {
  const said = new Set(
    ['core', 'app'].flatMap((workspace) =>
      sourcesOf(workspace).flatMap(({ file, source }) =>
        messagesIn(file, source).messages.map(({ words }) => words),
      ),
    ),
  );
  const places = (message: string) =>
    parse(message, { ignoreTag: true })
      .flatMap((element: MessageFormatElement) =>
        element.type === TYPE.literal || element.type === TYPE.pound ? [] : [String(element.value)],
      )
      .sort();
  for (const [message, plain] of Object.entries(plainWords)) {
    expect(said, message).toContain(message);
    expect(places(plain), message).toEqual(places(message));
    expect(plainEnglish.translationOf(message)).toBe(plain);
  }
});
