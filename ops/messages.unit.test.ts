import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { expect, it } from 'vitest';
import { catalogueFile, messagesIn, sourcesOf, speaking } from './messages.ts';
import { root } from './state.ts';

/** Files whose strings nobody reads on a screen: documents for engineers, made-up people, formats, programs. */
const FOR_ENGINEERS = [
  /^core\/src\/document\//,
  /^core\/src\/format\/(threeMfWrite|stl|obj|svg\/writeSvg|step\/writeStep)\.ts$/,
  /^core\/src\/slice\/(gcode\/|slice\.ts)/,
  // What is worked out on the way to a check's result, which is followed to find faults.
  /^core\/src\/inspect\/(measure\/\w+|placeDrawing)\.ts$/,
  /^cli\/src\/explainCommand\.ts$/,
  // Made-up models and their G-code.
  /^core\/src\/machine\/exampleSheets\.ts$/,
  /^core\/src\/starters\/(?!index)\w+\.ts$/,
  /\/lifecycle\.ts$/,
  /^app\/src\/lib\/server\/(demo|setup)\//,
  /^app\/src\/lib\/server\/platform\/(db|live|auth\/throttle)/,
  /^app\/src\/lib\/server\/(printers\/drivers\/answers|printing\/batches\/gcode|overview\/classExport)\.ts$/,
  // What stands for messages, which are said already.
  /^core\/src\/words\/plainWords\.ts$/,
  // The headings that a pasted list may have.
  /^app\/src\/lib\/shared\/listReading\.ts$/,
  /^app\/src\/lib\/ui\/solidView\/(materials|notes)\.ts$/,
];

/** Strings that programs read: drawings, headers, keys of stores and locks, fonts, styles. */
const FOR_PROGRAMS =
  /^.(M\d|<|fill=|private, |attachment; |camera=|default-src|[kK]elbrin |['‘]?Kelbrin |move |measure |no class |own password |the first teacher|\$\{this|Not Found|measured |inset |usage:|'Atkinson|\$\{shapes)/;

const found = speaking.flatMap((workspace) =>
  sourcesOf(workspace).map(({ file, source }) => ({ file, ...messagesIn(file, source) })),
);

/** The places of a message that values stand for. */
function placesIn(elements: readonly MessageFormatElement[]): string[] {
  return elements.flatMap((element) => {
    if (element.type === TYPE.literal || element.type === TYPE.pound) return [];
    const inner =
      element.type === TYPE.plural || element.type === TYPE.select
        ? Object.values(element.options).flatMap(({ value }) => placesIn(value))
        : [];
    return [element.value, ...inner] as string[];
  });
}

it('finds what is said', () => {
  expect(found.flatMap(({ messages }) => messages).length).toBeGreaterThan(1500);
});

it('leaves no sentence outside of the catalogues', () => {
  const unsaid = found
    .filter(({ file }) => !FOR_ENGINEERS.some((each) => each.test(file)))
    .flatMap((each) => each.unsaid)
    .filter((literal) => !FOR_PROGRAMS.test(literal.slice(literal.indexOf(': ') + 2)));
  expect(unsaid).toEqual([]);
});

it('says every message with the values that it has places for', () => {
  const wrong = found
    .flatMap(({ messages }) => messages)
    .flatMap(({ words, file, values }) => {
      if (values === undefined) return [];
      const places = [...new Set(placesIn(parse(words, { ignoreTag: true })))].sort();
      return places.join() === [...new Set(values)].sort().join()
        ? []
        : [`${file}: ${words} (${values.join(', ')})`];
    });
  expect(wrong).toEqual([]);
});

it.each(speaking)('keeps the catalogue of %s as the sources have it; ./run docs writes it', (workspace) => {
  expect(readFileSync(join(root, workspace, 'messages.json'), 'utf8')).toBe(catalogueFile(workspace));
});
