import { said, say } from '@kelbrin/core/words';

/** What a browser is recognised by in what it says of itself; the more special ones come first. */
const BROWSERS = [
  { sign: 'Edg/', words: 'Edge' },
  { sign: 'Firefox/', words: 'Firefox' },
  { sign: 'Chrome/', words: 'Chrome' },
  { sign: 'Safari/', words: 'Safari' },
];
const SYSTEMS = said(
  [
    { sign: 'iPhone', words: 'an iPhone' },
    { sign: 'iPad', words: 'an iPad' },
    { sign: 'Android', words: 'Android' },
    { sign: 'CrOS', words: 'a Chromebook' },
    { sign: 'Windows', words: 'Windows' },
    { sign: 'Mac OS', words: 'a Mac' },
    { sign: 'Linux', words: 'Linux' },
  ],
  ['words'],
);

/** A browser and its device in words, "Firefox on Linux", from what it says of itself; undefined if nothing is known. */
export function deviceWords(userAgent: string | null): string | undefined {
  const nameIn = (known: typeof BROWSERS) => known.find(({ sign }) => userAgent?.includes(sign))?.words;
  const [browser, system] = [nameIn(BROWSERS), nameIn(SYSTEMS)];
  return browser && system ? say('{browser} on {system}', { browser, system }) : (browser ?? system);
}
