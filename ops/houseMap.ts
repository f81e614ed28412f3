import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { house, roofOf } from '../house.mjs';

/*
 * The map of the house as it stands in README, and its arrows as they stand in docs/architecture.md. Called as a command
 * it fails where a folder has no place in `house.mjs`, or where those pages show another house.
 */

const root = new URL('..', import.meta.url).pathname;

/** Folders that are made or kept by tools, and those of single pages, which are named by their addresses. */
const NOT_ROOMS =
  /^(\.|node_modules|test-results|app\/(build|dist|drizzle\/meta)|[^/]+\/dist)|\/\.|\/node_modules/;
const PAGES = /^app\/src\/routes\/./;

/** Every folder with files in it, as paths from the root. */
function folders(at = root): string[] {
  const entries = readdirSync(at, { withFileTypes: true });
  const here = relative(root, at);
  const below = entries
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => join(here, name))
    .filter((path) => !NOT_ROOMS.test(path) && !PAGES.test(path))
    .flatMap((path) => folders(join(root, path)));
  const isRoom = here !== '' && entries.some((entry) => entry.isFile());
  return isRoom ? [here, ...below] : below;
}

/** The nearest room that a path lies in; undefined for a workspace. */
function above(path: string): string | undefined {
  for (let roof = roofOf(path); roof !== ''; roof = roofOf(roof))
    if (house.some((room) => room.path === roof)) return roof;
  return undefined;
}

/** The house as a tree: a line for each folder. */
export function mapOfHouse(): string {
  const depth = (path: string): number => {
    const roof = above(path);
    return roof === undefined ? 0 : depth(roof) + 1;
  };
  const lines = house.map(({ path, about }) => {
    const roof = above(path);
    const name = `${'  '.repeat(depth(path))}${roof === undefined ? path : path.slice(roof.length + 1)}/`;
    return `    ${name.padEnd(24)} ${about}`;
  });
  return lines.join('\n');
}

/** Which room may import from which, as a table for each roof with arrows beneath it. */
export function arrowsOfHouse(): string {
  const roofs = [...new Set(house.filter(({ uses }) => uses).map(({ path }) => roofOf(path)))];
  return roofs
    .map((roof) => {
      const rows = house
        .filter(({ path, uses }) => uses && roofOf(path) === roof)
        .map(
          ({ path, about, uses }) =>
            `| \`${path.slice(roof.length + 1)}/\` | ${about} | ${uses!.length === 0 ? 'none of them' : uses!.join(', ')} |`,
        );
      return [
        `In \`${roof}/\`:`,
        '',
        '| room | what it is about | may use |',
        '| --- | --- | --- |',
        ...rows,
      ].join('\n');
    })
    .join('\n\n');
}

/** The pages that show the house, each with the part of it that they show. */
export const housePages = [
  { page: 'README.md', shown: mapOfHouse },
  { page: 'docs/architecture.md', shown: arrowsOfHouse },
];

/** A page with what it shows of the house put between its two marks. */
export function withHouse(page: string, shown: string): string {
  const [before, , after] = page.split(/<!-- house(?: ends)? -->/);
  return `${before}<!-- house -->\n\n${shown}\n\n<!-- house ends -->${after}`;
}

/** What is wrong with the map, in sentences. */
function faultsOfMap(): string[] {
  const rooms = new Set(house.map(({ path }) => path));
  const there = new Set(folders());
  const isRoof = (path: string) => [...there].some((each) => each.startsWith(`${path}/`));
  const faults = [
    ...[...there]
      .filter((path) => !rooms.has(path) && path !== 'app/src')
      .map((path) => `${path}/ has no line in house.mjs: say there what it is about, and what it may use.`),
    ...[...rooms]
      .filter((path) => !there.has(path) && !isRoof(path))
      .map((path) => `house.mjs names ${path}/, which is not there.`),
  ];
  const squeezed = (text: string) => text.replace(/[ -]+/g, ' ');
  for (const { page, shown } of housePages) {
    const text = readFileSync(join(root, page), 'utf8');
    if (!squeezed(text).includes(squeezed(shown()))) faults.push(`${page} shows another house: ./run docs`);
  }
  return faults;
}

if (process.argv[1] === new URL(import.meta.url).pathname) {
  const faults = faultsOfMap();
  for (const fault of faults) console.error(fault);
  process.exit(faults.length === 0 ? 0 : 1);
}
