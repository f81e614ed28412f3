/** What a browser is recognised by in what it says of itself; the more special ones come first. */
const BROWSERS = [
  ['Edg/', 'Edge'],
  ['Firefox/', 'Firefox'],
  ['Chrome/', 'Chrome'],
  ['Safari/', 'Safari'],
] as const;
const SYSTEMS = [
  ['iPhone', 'an iPhone'],
  ['iPad', 'an iPad'],
  ['Android', 'Android'],
  ['CrOS', 'a Chromebook'],
  ['Windows', 'Windows'],
  ['Mac OS', 'a Mac'],
  ['Linux', 'Linux'],
] as const;

/** A browser and its device in words, "Firefox on Linux", from what it says of itself; undefined if nothing is known. */
export function deviceWords(userAgent: string | null): string | undefined {
  const nameIn = (known: readonly (readonly [string, string])[]) =>
    known.find(([sign]) => userAgent?.includes(sign))?.[1];
  const [browser, system] = [nameIn(BROWSERS), nameIn(SYSTEMS)];
  return browser && system ? `${browser} on ${system}` : (browser ?? system);
}
