import { languageOf, speak } from '@kelbrin/core/words';

speak(languageOf(document.documentElement.lang));
