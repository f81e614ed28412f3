import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { lifecycles, type KeptLifecycle } from './lifecycles.ts';

const here = new URL('.', import.meta.url).pathname;
const sources = readdirSync(here, { recursive: true, encoding: 'utf8' }).filter(
  (file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !file.startsWith('testing/'),
);

/** The places of a file that write what only the lifecycle's own file may write. */
function writes(words: string, { table, column, isWholeTable }: KeptLifecycle): string[] {
  const file = ts.createSourceFile('file.ts', words, ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const callOf = (node: ts.Node, name: string): ts.CallExpression | undefined =>
    ts.isCallExpression(node) &&
    ts.isPropertyAccessExpression(node.expression) &&
    node.expression.name.text === name
      ? node
      : undefined;
  const isTable = (call: ts.CallExpression | undefined) => call?.arguments[0]?.getText() === table;
  const mayWrite = (value: ts.Expression): boolean =>
    !ts.isObjectLiteralExpression(value) ||
    value.properties.some(
      (property) =>
        (ts.isSpreadAssignment(property) && mayWrite(property.expression)) ||
        property.name?.getText() === column,
    );
  const look = (node: ts.Node): void => {
    const set = callOf(node, 'set');
    const updated = set && callOf((set.expression as ts.PropertyAccessExpression).expression, 'update');
    const isWritten =
      (column !== undefined && set && isTable(updated) && mayWrite(set.arguments[0])) ||
      (isWholeTable && (isTable(callOf(node, 'insert')) || isTable(callOf(node, 'delete'))));
    if (isWritten) found.push(`line ${file.getLineAndCharacterOfPosition(node.getStart()).line + 1}`);
    ts.forEachChild(node, look);
  };
  look(file);
  return found;
}

describe.each(lifecycles.map((kept) => [kept.life.thing, kept] as const))(
  'the lifecycle of a %s',
  (_, kept) => {
    const { life, file } = kept;
    const moves = Object.entries(life.moves);

    it('is written in its own file alone', () => {
      const elsewhere = sources
        .filter((source) => source !== file)
        .flatMap((source) =>
          writes(readFileSync(join(here, source), 'utf8'), kept).map((place) => `${source}, ${place}`),
        );
      expect(elsewhere).toEqual([]);
      expect(writes(readFileSync(join(here, file), 'utf8'), kept)).not.toEqual([]);
    });

    it('leads to every state', () => {
      const reached = new Set<string>();
      for (let before = -1; before < reached.size;) {
        before = reached.size;
        for (const [, { from, to }] of moves)
          if (from.length === 0 || from.some((state) => reached.has(state))) reached.add(to);
      }
      expect([...reached].filter((state) => state !== 'gone').toSorted()).toEqual(
        Object.keys(life.states).toSorted(),
      );
    });

    it('has nobody move what they may not', () => {
      for (const [name, { by, from }] of moves) {
        expect(by, name).not.toEqual([]);
        expect(new Set(from).size, name).toBe(from.length);
        if (by.includes('student')) expect(by, name).not.toContain('helper');
      }
    });
  },
);

describe('what writes a state', () => {
  const kept: KeptLifecycle = { ...lifecycles[1], column: 'state', table: 'handIns', isWholeTable: true };
  it.each([
    "db.update(handIns).set({ state: 'approved' })",
    'db.update(handIns).set({ ...others })',
    'db.update(handIns).set(all)',
    'db.insert(handIns).values({})',
    'tx\n  .delete(handIns)',
  ])('is seen in %s', (words) => expect(writes(words, kept)).toHaveLength(1));
  it.each([
    'db.update(handIns).set({ comment: null, ...{ doubt } })',
    "db.update(runs).set({ state: 'failed' })",
    'db.select().from(handIns)',
  ])('is not seen in %s', (words) => expect(writes(words, kept)).toEqual([]));
});
