/** Something that speaks; the browser's own voice, or what stands for it in a test. */
export interface Voice {
  /** Says some words in a language, then hands back whether it could. */
  say(words: string, language: string): Promise<boolean>;
  /** Falls silent at once; what was being said ends as if it was said. */
  stop(): void;
}

/** A sentence of a recipe takes about this long per character at most; a voice that answers nothing is not waited for longer. */
const MOST_MS_PER_CHARACTER = 150;
const LEAST_WAIT_MS = 4000;

/** The voice of the browser; undefined where it has none. */
export function browserVoice(): Voice | undefined {
  if (typeof speechSynthesis === 'undefined') return undefined;
  return {
    say: (words, language) =>
      new Promise((resolve) => {
        const utterance = new SpeechSynthesisUtterance(words);
        utterance.lang = language;
        const most = Math.max(LEAST_WAIT_MS, words.length * MOST_MS_PER_CHARACTER);
        const timer = setTimeout(() => resolve(false), most);
        const end = (isSaid: boolean) => {
          clearTimeout(timer);
          resolve(isSaid);
        };
        utterance.onend = () => end(true);
        // What is stopped by hand is no failure.
        utterance.onerror = ({ error }) => end(error === 'canceled' || error === 'interrupted');
        speechSynthesis.speak(utterance);
      }),
    stop: () => speechSynthesis.cancel(),
  };
}
