/** What is said of a file that is too large to be sent or taken. */
export function tooLargeWords(name: string, mostBytes: number): string {
  return `${name} is larger than ${mostBytes / 1e6} MB: save it with less detail.`;
}
