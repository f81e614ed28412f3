import { languageOf, speak } from '@kelbrin/core/words';

/** Has a process of the server speak the language of the school, which its environment names. */
export function speakAsSet(): void {
  speak(languageOf(process.env.KELBRIN_LANGUAGE));
}
