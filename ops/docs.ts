import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { cookbookDocument } from '../core/src/document/cookbookDocument.ts';
import { inspectionDocument } from '../core/src/document/inspectionDocument.ts';
import { offerDrawings } from '../core/src/document/offerDrawings.ts';
import { recipeDocument } from '../core/src/document/recipeDocument.ts';
import { starterPictures } from '../core/src/document/starterPictures.ts';
import { stepPictures } from '../core/src/document/stepPictures.ts';
import { nodeWorkshop } from '../core/node/workshop.ts';
import { catalogueFile, speaking } from './messages.ts';
import { housePages, withHouse } from './houseMap.ts';
import { lifecyclesDocument } from './lifecyclesDocument.ts';
import { coverageFile } from './letterCoverage.ts';
import { drawingsFile, drawingsText } from './offerDrawings.ts';
import { readingDocument } from './readingLevel.ts';
import { root } from './state.ts';

/* Writes the documents that are made from the code. */

const workshop = await nodeWorkshop();
writeFileSync(join(root, 'docs/recipe.md'), recipeDocument());
mkdirSync(join(root, 'docs/recipe'), { recursive: true });
for (const [name, picture] of stepPictures(workshop)) writeFileSync(join(root, 'docs/recipe', name), picture);
writeFileSync(join(root, 'docs/cookbook.md'), cookbookDocument());
writeFileSync(join(root, 'docs/lifecycles.md'), await lifecyclesDocument());

const { words, pictures } = inspectionDocument();
writeFileSync(join(root, 'docs/inspection.md'), words);
mkdirSync(join(root, 'docs/inspection'), { recursive: true });
for (const [name, picture] of pictures) writeFileSync(join(root, 'docs/inspection', name), picture);

for (const { page, shown } of housePages) {
  const file = join(root, page);
  writeFileSync(file, withHouse(readFileSync(file, 'utf8'), shown()));
  execFileSync(join(root, 'node_modules/.bin/oxfmt'), [file]);
}

const coverage = join(root, 'core/src/letters/coverage.ts');
writeFileSync(coverage, coverageFile(workshop.fonts));
execFileSync(join(root, 'node_modules/.bin/oxfmt'), [coverage]);

mkdirSync(join(root, 'app/static/starters'), { recursive: true });
for (const [name, picture] of starterPictures(workshop))
  writeFileSync(join(root, 'app/static/starters', name), picture);
writeFileSync(join(root, drawingsFile), drawingsText(offerDrawings(workshop)));

writeFileSync(join(root, 'docs/reading.md'), readingDocument());

for (const workspace of speaking)
  writeFileSync(join(root, workspace, 'messages.json'), catalogueFile(workspace));
