import { speak } from '@kelbrin/core/words';
import { languageIn, wordsLevel } from '$lib/bench/wordsChoice';
import type { PageLoad } from './$types';

/** The bench lives in the browser: it needs the graphics card, a worker and the browser's storage. */
export const ssr = false;

/** Before anything of the bench is said, its words are chosen. */
export const load: PageLoad = ({ data }) => {
  speak(languageIn(wordsLevel(data.plainWords)));
  return data;
};
