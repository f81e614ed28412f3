import { said } from '../words/index.ts';

/** A system of writing. */
export interface Script {
  /** Its name in ISO 15924. */
  readonly tag: string;
  readonly has: RegExp;
  /** Whether its letters are joined, so that nothing can be put between them. */
  readonly isJoined?: boolean;
}

/** The scripts that Kelbrin has letters for. */
export const scripts = {
  latin: { tag: 'Latn', has: /\p{Script=Latin}/u },
  greek: { tag: 'Grek', has: /\p{Script=Greek}/u },
  cyrillic: { tag: 'Cyrl', has: /\p{Script=Cyrillic}/u },
  hebrew: { tag: 'Hebr', has: /\p{Script=Hebrew}/u },
  arabic: { tag: 'Arab', has: /\p{Script=Arabic}/u, isJoined: true },
} satisfies Record<string, Script>;
export type ScriptName = keyof typeof scripts;

/** What the letters of each are called in a sentence. */
export const scriptNames: Readonly<Record<ScriptName, string>> = said({
  latin: 'some Latin letters',
  greek: 'Greek letters',
  cyrillic: 'Cyrillic letters',
  hebrew: 'Hebrew letters',
  arabic: 'Arabic letters',
});

/** The script of a letter with its marks; undefined for what all scripts share, as figures, spaces and signs. */
export function scriptOf(letter: string): ScriptName | undefined {
  return (Object.keys(scripts) as ScriptName[]).find((name) => scripts[name].has.test(letter));
}
