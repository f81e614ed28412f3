import { say } from '@kelbrin/core/words';

/** What is said of a file that is too large to be sent or taken. */
export function tooLargeWords(name: string, mostBytes: number): string {
  return say('{name} is larger than {mostBytes} MB: save it with less detail.', {
    name,
    mostBytes: mostBytes / 1e6,
  });
}
