import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

/*
 * Names that a practitioner would take for another program's. Kelbrin has its own for each; the old ones are read where
 * data of before may have them, and stand nowhere else.
 */

const root = new URL('..', import.meta.url).pathname;

function filesIn(folder: string): string[] {
  return readdirSync(join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (/^(\.|node_modules$|dist$|build$|test-results$|meta$)/.test(entry.name)) return [];
    if (entry.isDirectory()) return filesIn(path);
    return /\.(ts|svelte|md|mjs)$/.test(entry.name) ? [path] : [];
  });
}
// The list of what ships is of other people's names and versions.
const files = filesIn('.').filter((file) => file !== 'THIRD_PARTY.md');

/** Each with where it may still be read. */
const names: readonly (readonly [name: RegExp, readBy: RegExp])[] = [
  [/\bbulge/i, /recipe\/(migrations|recipe\.test)\.ts$/],
  [/\bperimeters\b|perimeterMmPerS|'perimeter'/, /migrations\.db\.test\.ts$/],
  [/\binfillPattern\b|\bsolidLayers\b|\bbridgeMmPerS\b/, /migrations\.db\.test\.ts$/],
  [/'grid', 'triangles'/, /^$/],
  [/how: '(join|cut)'/, /^$/],
  [/set: '(draft|fine)'|\bDraft'|"draft"|draft\|everyday/, /migrations\.db\.test\.ts$/],
  [/\b0\.28\b/, /card\/limits(\.test)?\.ts$/],
  [/\bM993\b/, /^$/],
  [/Metadata\//, /format\/(threeMfWrite|partFiles\.test|hostile\.test)\.ts$/],
  [/'plates'|\/plate\/\[|plateId|plateTexts|`Plate \$/, /migrations\.db\.test\.ts$/],
  [/lucide\/svelte\/icons\/eye/, /^$/],
  [/#E2571F/i, /^$/],
];

it.each(names)('%s stands nowhere but where data of before is read', (name, readBy) => {
  const found = files.filter(
    (file) =>
      !file.endsWith('borrowedNames.unit.test.ts') &&
      !readBy.test(file) &&
      name.test(readFileSync(join(root, file), 'utf8')),
  );
  expect(found).toEqual([]);
});
