const NO_BREAK = '\u00a0';

/** Words with each number on one line with its unit and with the sign of a diameter before it. */
export function unbroken(words: string): string {
  return words
    .replace(/Ø (?=\d)/g, `Ø${NO_BREAK}`)
    .replace(/(\d) (?=(mm[²³]?|cm[²³]?|g|kg|min|s|h|°C)(?![\p{L}\d]))/gu, `$1${NO_BREAK}`);
}
