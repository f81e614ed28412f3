import { say } from '@kelbrin/core/words';

/** The words of a sentence as a voice says them: signs and units in full, a minus as the word. */
export function spoken(sentence: string): string {
  return sentence
    .replaceAll('Ø', say('diameter'))
    .replaceAll('×', say('by'))
    .replace(/−(?=\d)/g, `${say('minus')} `)
    .replace(/(\d) mm\b/g, `$1 ${say('millimetres')}`)
    .replace(/(\d)°/g, `$1 ${say('degrees')}`)
    .replace(/(\d)%/g, `$1 ${say('per cent')}`);
}
