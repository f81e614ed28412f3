import { cutNames, type CutName } from '../core/src/letters/cuts.ts';
import type { LetterFiles } from '../core/src/solid/index.ts';

/** The code points that a file of letters has signs for, as they are kept: hexadecimal, `20-7e,a0`. */
export function coverageOf(name: CutName, files: LetterFiles): string {
  const { codePoints } = files(name)!;
  // Control characters are no signs.
  const signs = [...codePoints].filter((code) => code >= 0x20).sort((a, b) => a - b);
  const ranges: [number, number][] = [];
  for (const code of signs) {
    const last = ranges.at(-1);
    if (last && code === last[1] + 1) last[1] = code;
    else ranges.push([code, code]);
  }
  return ranges.map((range) => [...new Set(range)].map((code) => code.toString(16)).join('-')).join(',');
}

/** `coverage.ts` as the files of letters say it. */
export function coverageFile(files: LetterFiles): string {
  const rows = cutNames.map((name) => `  '${name}': '${coverageOf(name, files)}',`);
  return `import type { CutName } from './cuts.ts';

/*
 * The code points that each file of letters has signs for, hexadecimal. Made by “./run docs” from the files; a test
 * compares them.
 */
export const coverage: Readonly<Record<CutName, string>> = {
${rows.join('\n')}
};
`;
}
