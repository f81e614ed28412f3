import ts from 'typescript';

/** A small fault put into a source on purpose: from where to where its text is replaced, and by what. */
export interface Mutant {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

/** What each operator is exchanged for. */
const operators: Readonly<Partial<Record<ts.SyntaxKind, string>>> = {
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.SlashToken]: '*',
  [ts.SyntaxKind.PercentToken]: '*',
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
};

/** What each method is exchanged for. */
const methods: Readonly<Record<string, string>> = {
  min: 'max',
  max: 'min',
  floor: 'ceil',
  ceil: 'floor',
  round: 'floor',
  some: 'every',
  every: 'some',
};

/** The mutants of a source, in the order of their places. Single words, types and imports are left alone. */
export function mutantsOf(source: string): Mutant[] {
  const file = ts.createSourceFile('source.ts', source, ts.ScriptTarget.Latest, true);
  const mutants: Mutant[] = [];
  const replace = (node: ts.Node, text: string) =>
    mutants.push({ start: node.getStart(file), end: node.getEnd(), text });

  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isPropertyName(node) && (node.parent as Partial<ts.NamedDeclaration>).name === node) return;
    if (ts.isBinaryExpression(node)) {
      const other = operators[node.operatorToken.kind];
      // Words that are put together say the same without arithmetic.
      const isOfWords = [node.left, node.right].some((side) => ts.isStringLiteralLike(side));
      if (other && !isOfWords) replace(node.operatorToken, other);
    } else if (ts.isPrefixUnaryExpression(node)) {
      const isSign = node.operator === ts.SyntaxKind.MinusToken;
      if (isSign || node.operator === ts.SyntaxKind.ExclamationToken)
        replace(node, `(${node.operand.getText(file)})`);
    } else if (ts.isNumericLiteral(node)) {
      replace(node, node.text === '0' ? '1' : node.text === '1' ? '0' : `(${node.getText(file)} * 1.5)`);
    } else if (node.kind === ts.SyntaxKind.TrueKeyword) replace(node, 'false');
    else if (node.kind === ts.SyntaxKind.FalseKeyword) replace(node, 'true');
    else if (ts.isIfStatement(node)) replace(node.expression, `!(${node.expression.getText(file)})`);
    else if (ts.isConditionalExpression(node)) replace(node.condition, `!(${node.condition.getText(file)})`);
    else if (ts.isPropertyAccessExpression(node) && ts.isCallExpression(node.parent)) {
      const other = methods[node.name.text];
      if (other && node.parent.expression === node) replace(node.name, other);
    } else if (ts.isArrayLiteralExpression(node)) {
      node.elements.forEach((element, i) => {
        // A name that is left out of a list changes what the list says; a number left out of a place makes it none.
        if (ts.isStringLiteralLike(element))
          replace(
            node,
            `[${node.elements
              .filter((_, k) => k !== i)
              .map((each) => each.getText(file))
              .join(', ')}]`,
          );
      });
    } else if (ts.isExpressionStatement(node) && !ts.isAwaitExpression(node.expression)) replace(node, ';');
    ts.forEachChild(node, visit);
  };
  visit(file);
  return mutants;
}

/** The source with a mutant in it. */
export function withMutant(source: string, { start, end, text }: Mutant): string {
  return source.slice(0, start) + text + source.slice(end);
}
