/** Letters that are no letter with an accent, and what is written for them. */
const WRITTEN_AS: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ı: 'i',
};

/**
 * Words with their accents taken off and with plain letters for others of the Latin alphabet; other scripts stay.
 *
 * @example
 * plainLetters('Zoë Łukasz Größe') // 'Zoe Lukasz Grosse'
 */
export function plainLetters(words: string): string {
  return words
    .replace(/\p{L}/gu, (letter) => {
      const plain = WRITTEN_AS[letter.toLowerCase()];
      if (plain === undefined) return letter;
      return letter === letter.toLowerCase() ? plain : plain[0].toUpperCase() + plain.slice(1);
    })
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '');
}
