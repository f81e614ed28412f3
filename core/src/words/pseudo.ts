import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import type { Language } from './language.ts';

const ALIKE: Readonly<Record<string, string>> = Object.fromEntries(
  [...'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ'].map((letter, index) => [
    letter,
    [...'áƀçďéƒĝĥíĵķļɱñóþɋŕšťúṽŵẋýžÁƁÇĎÉƑĜĤÍĴĶĻṀÑÓÞɊŔŠŤÚṼŴẊÝŽ'][index],
  ]),
);

/** Begins and ends what was said in the pseudo-language. */
export const PSEUDO_SIGNS = ['⟦', '⟧'] as const;

/**
 * A made-up language for trying a page: English in letters that English does not have, 40 % longer and between signs.
 * What still reads as English on a page did not come from the catalogue; what is cut off has no room for other languages.
 */
export const pseudo: Language = {
  tag: 'en-XA',
  // Days and months in Greek letters, so that a date in English is seen to have been written by hand.
  locale: 'el-GR',
  translationOf(message) {
    if (message.includes(PSEUDO_SIGNS[0])) return message;
    if (!/[{}]/.test(message)) return `${PSEUDO_SIGNS[0]}${longer(message)}${PSEUDO_SIGNS[1]}`;
    const sign = (value: string): MessageFormatElement => ({ type: TYPE.literal, value });
    return [
      sign(PSEUDO_SIGNS[0]),
      ...parse(message, { ignoreTag: true }).map(inPseudo),
      sign(PSEUDO_SIGNS[1]),
    ];
  },
};

function inPseudo(element: MessageFormatElement): MessageFormatElement {
  if (element.type === TYPE.literal) return { ...element, value: longer(element.value) };
  if (element.type !== TYPE.plural && element.type !== TYPE.select) return element;
  const options = Object.entries(element.options).map(([name, option]) => [
    name,
    { ...option, value: option.value.map(inPseudo) },
  ]);
  return { ...element, options: Object.fromEntries(options) } as MessageFormatElement;
}

/** Letters that look alike; two of every five stand twice. */
function longer(words: string): string {
  let count = 0;
  return words.replace(/[a-zA-Z]/g, (letter) => {
    const alike = ALIKE[letter];
    count += 1;
    return count % 5 < 2 ? alike.repeat(2) : alike;
  });
}
