import ts from 'typescript';
import { withMutant, type Mutant } from './mutants.ts';

/** A mutant with the number that switches it on. */
export interface Fault extends Mutant {
  readonly id: number;
}

/**
 * The source with several mutants in it, of which one at most is on: each stands in its expression or statement beside
 * what was there, and `faultIsOn(id)` tells which of them is to be. So a source is compiled once for all of its mutants.
 */
export function withSwitches(source: string, faults: readonly Fault[]): string {
  const file = ts.createSourceFile('source.ts', source, ts.ScriptTarget.Latest, true);
  const faultsOf = new Map<ts.Node, Fault[]>();
  for (const fault of faults) {
    const node = switchedNode(file, fault);
    faultsOf.set(node, [...(faultsOf.get(node) ?? []), fault]);
  }

  function written(node: ts.Node): string {
    const inner = around(node);
    const own = faultsOf.get(node) ?? [];
    if (own.length === 0) return inner;
    // In a block of its own, so that no `else` that follows belongs to the switch.
    if (ts.isExpressionStatement(node)) return `{ if (!faultIsOn(${own[0].id})) { ${inner} } }`;
    const choices = own.map((fault) => `faultIsOn(${fault.id}) ? (${mutated(node, fault)}) : `);
    return `(${choices.join('')}(${inner}))`;
  }

  /** The text of a node with the switches of what is in it. */
  function around(node: ts.Node): string {
    let at = node.getStart(file);
    let text = '';
    ts.forEachChild(node, (child) => {
      const start = child.getStart(file);
      text += source.slice(at, start) + written(child);
      at = child.getEnd();
    });
    return text + source.slice(at, node.getEnd());
  }

  function mutated(node: ts.Node, { start, end, text }: Fault): string {
    const from = node.getStart(file);
    return withMutant(node.getText(file), { start: start - from, end: end - from, text });
  }

  return source.slice(0, file.getStart(file)) + around(file);
}

/** The smallest expression or statement around a mutant that can be chosen as a whole. */
function switchedNode(file: ts.SourceFile, { start, end }: Mutant): ts.Node {
  let node: ts.Node = file;
  for (let inner: ts.Node | undefined = file; inner;) {
    node = inner;
    inner = ts.forEachChild(node, (child) =>
      child.getStart(file) <= start && child.getEnd() >= end ? child : undefined,
    );
  }
  // An operator is not chosen without its sides, nor a method without what it is called on and with.
  if (ts.isBinaryExpression(node.parent) && node.parent.operatorToken === node) node = node.parent;
  if (ts.isPropertyAccessExpression(node.parent) && node.parent.name === node) node = node.parent.parent;
  // What stands after a question mark is passed over as a whole where there is nothing before it.
  while (ts.isOptionalChain(node.parent) && node.parent.expression === node) node = node.parent;
  return node;
}
