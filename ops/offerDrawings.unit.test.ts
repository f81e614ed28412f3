import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { nodeWorkshop } from '../core/node/workshop.ts';
import { offerDrawings } from '../core/src/document/offerDrawings.ts';
import { drawingsFile, drawingsText } from './offerDrawings.ts';
import { root } from './state.ts';

test('every step that is offered has its drawing, which shows what it makes: “./run docs” writes them', async () => {
  const drawings = offerDrawings(await nodeWorkshop());
  for (const [id, { part, made, madeLines }] of Object.entries(drawings)) {
    expect(part, id).not.toBe('');
    expect(made.length + madeLines.length, id).toBeGreaterThan(20);
  }
  expect(readFileSync(join(root, drawingsFile), 'utf8')).toBe(drawingsText(drawings));
});
