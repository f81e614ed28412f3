import { parseArgs, type ParseArgsConfig } from 'node:util';

/** Reads the words that a command was called with. One that it does not know is named in a sentence, without a stack. */
export function wordsOf<T extends ParseArgsConfig>(config: T): ReturnType<typeof parseArgs<T>> {
  try {
    return parseArgs(config);
  } catch (error) {
    const [what] = (error instanceof Error ? error.message : String(error)).split('. ');
    console.error(`${what}. “./run help” lists what there is.`);
    process.exit(2);
  }
}
