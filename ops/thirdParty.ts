import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildAll } from './build.ts';
import { root } from './state.ts';

/*
 * Writes THIRD_PARTY.md: every package of which something ships with Kelbrin, with its version and its licence. What the
 * bundlers took is written down while they build; packages that are loaded as they are at run time come with all that
 * they need. `--as-built` takes what the last build wrote down.
 */

interface Installed {
  readonly version: string;
  readonly license?: string;
  readonly dependencies?: Readonly<Record<string, string>>;
}

const folder = join(root, 'app/.svelte-kit/used-packages');
/** Loaded as they are by the processes of the server, and the fonts, which styles name. */
const LOADED = ['compression', 'harfbuzzjs', 'pg-boss', 'pino', 'piscina', 'serialport'];
const FONTS = ['@fontsource/atkinson-hyperlegible-mono', '@fontsource/atkinson-hyperlegible-next'];

if (!process.argv.includes('--as-built')) {
  // What an earlier build took may be taken no more.
  rmSync(folder, { recursive: true, force: true });
  rmSync(join(root, 'app/build/.built'), { force: true });
  await buildAll();
}

const bundled = readdirSync(folder).flatMap(
  (name) => JSON.parse(readFileSync(join(folder, name), 'utf8')) as string[],
);
const names = [...new Set([...bundled, ...LOADED.flatMap((name) => withDependencies(name)), ...FONTS])]
  .filter((name) => !name.startsWith('@kelbrin/') && existsSync(placeOf(name)))
  .sort((a, b) => a.localeCompare(b));

const rows = names.map((name) => {
  const { version, license = namedIn(licenceOf(name)) } = packageOf(name);
  return `| ${name} | ${version} | ${license} |`;
});
const letters = join(root, 'core/assets/fonts');
const LICENCES: Record<string, string> = { OFL: 'OFL-1.1', Apache: 'Apache-2.0' };
const fonts = readdirSync(letters).flatMap((file) => {
  const [, name, licence] = /^(.*)\.(OFL|Apache)\.txt$/.exec(file) ?? [];
  return name ? [{ name, licence, file }] : [];
});
rows.push(...fonts.map(({ name, licence }) => `| letters “${name}” | | ${LICENCES[licence]} |`));
const texts = names.map((name) => `## ${name}\n\n${licenceOf(name)}\n`);
texts.push(...fonts.map(({ name, file }) => `## Letters “${name}”\n\n${indented(join(letters, file))}\n`));
writeFileSync(
  join(root, 'THIRD_PARTY.md'),
  `# What ships with Kelbrin

<!-- Made by “./run docs --third-party” from what the bundlers take. -->

| package | version | licence |
| --- | --- | --- |
${rows.join('\n')}

${texts.join('\n')}`,
);
console.log(`THIRD_PARTY.md: ${names.length} packages`);
process.exit(0);

/** The licence that a text names first, for packages that do not say it elsewhere. */
function namedIn(text: string): string {
  return /^\s*(?:The )?(MIT|ISC) License/i.exec(text)?.[1].toUpperCase() ?? 'see its file';
}

function placeOf(name: string): string {
  return join(root, 'node_modules', name);
}

function packageOf(name: string): Installed {
  return JSON.parse(readFileSync(join(placeOf(name), 'package.json'), 'utf8')) as Installed;
}

/** A package and all that it loads, whatever that loads in turn. */
function withDependencies(name: string, seen = new Set<string>()): string[] {
  if (seen.has(name) || !existsSync(placeOf(name))) return [];
  seen.add(name);
  for (const each of Object.keys(packageOf(name).dependencies ?? {})) withDependencies(each, seen);
  return [...seen];
}

/** The text of a package's licence as it came with it. */
function licenceOf(name: string): string {
  const file = readdirSync(placeOf(name)).find((each) => /^(licen[cs]e|copying|ofl)/i.test(each));
  if (!file) return 'It comes without the text of its licence.';
  return indented(join(placeOf(name), file));
}

function indented(file: string): string {
  return readFileSync(file, 'utf8')
    .trim()
    .split('\n')
    .map((line) => `    ${line}`.trimEnd())
    .join('\n');
}
