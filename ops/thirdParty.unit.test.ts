import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { root } from './state.ts';

const list = readFileSync(join(root, 'THIRD_PARTY.md'), 'utf8');
const rows = list.split('\n').flatMap((line) => {
  const [, name, version, licence] = /^\| (\S+) \| (\d\S*) \| (.+) \|$/.exec(line) ?? [];
  return name ? [{ name, version, licence }] : [];
});

it('the list of what ships names the versions that are installed: “./run docs --third-party” writes it', () => {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')) as {
    packages: Readonly<Record<string, { readonly version: string }>>;
  };
  expect(rows.length).toBeGreaterThan(80);
  for (const { name, version } of rows) expect(packages[`node_modules/${name}`]?.version, name).toBe(version);
});

it('all of it is under licences that are open', () => {
  const open = /^(MIT|ISC|Apache-2\.0|BSD-[23]-Clause|0BSD|OFL-1\.1|BlueOak-1\.0\.0|CC0-1\.0|Unlicense)$/;
  for (const { name, licence } of rows)
    expect(
      licence
        .replace(/[()]/g, '')
        .split(' OR ')
        .some((each) => open.test(each)),
      name,
    ).toBe(true);
});

it('the letters that people can write with come with their licences', () => {
  const fonts = readdirSync(join(root, 'core/assets/fonts')).filter((name) => name.endsWith('.woff'));
  expect(fonts.length).toBeGreaterThan(8);
  for (const font of fonts) expect(list).toContain(`## Letters “${font.replace('.woff', '')}”`);
});
