import type { MessageFormatElement } from '@formatjs/icu-messageformat-parser';

/** A language that Kelbrin speaks. */
export interface Language {
  /** What it is called where it is chosen, as BCP 47 has it. */
  readonly tag: string;
  /** Whose rules numbers, dates and plurals follow. */
  readonly locale: string;
  /**
   * What stands for a message in this language, in the same syntax or as its tree; undefined where it was not
   * translated, which leaves the English.
   */
  translationOf(message: string): string | MessageFormatElement[] | undefined;
}

/** The language that messages are written in. */
export const english: Language = { tag: 'en', locale: 'en-GB', translationOf: () => undefined };
