import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse as parseSvelte } from 'svelte/compiler';
import ts from 'typescript';
import { root } from './state.ts';

/* Collects what Kelbrin says to people: the messages in the calls of `say` and `said`, and in the words of sentences. */

/** The workspaces that speak to people, each with a catalogue of its own. */
export const speaking = ['core', 'app', 'cli'] as const;

/** The helpers of recipe sentences, which say what they are given. */
const SENTENCE_HELPERS = new Set([
  'text',
  'millimetres',
  'degrees',
  'many',
  'share',
  'choice',
  'oneOf',
  'clause',
]);

/** Functions whose words are for programs, or for those who write them. */
const FOR_PROGRAMS =
  /^(\w*Error|for|RegExp|split|startsWith|endsWith|includes|info|warn|error|debug|querySelector\w*|getAttribute|setAttribute|createElement|setHeader|matchMedia)$/;

/** A message and the call that says it. */
export interface Message {
  readonly words: string;
  readonly file: string;
  /** The names of the values that the call gives, where they stand in the call; undefined where it gives none. */
  readonly values?: readonly string[];
}

interface Found {
  readonly messages: Message[];
  /** Literals that read like a sentence and are not said. */
  readonly unsaid: string[];
}

/** The source files of a workspace that run, with the parts of those that are scripts. */
export function sourcesOf(workspace: string): { readonly file: string; readonly source: string }[] {
  return readdirSync(join(root, workspace, 'src'), { recursive: true, encoding: 'utf8' })
    .map((path) => join(workspace, 'src', path))
    .filter((file) => /\.(ts|svelte)$/.test(file) && !/\.test\.ts$|\/testing\//.test(file))
    .sort()
    .map((file) => {
      const source = readFileSync(join(root, file), 'utf8');
      return { file, source: file.endsWith('.svelte') ? scriptOf(source) : source };
    });
}

/** A component as one script: its scripts, and the expressions of its markup. */
function scriptOf(source: string): string {
  const { instance, module, fragment } = parseSvelte(source, { modern: true });
  const scripts = [module, instance].flatMap((script) => {
    const content = script?.content as { start: number; end: number } | undefined;
    return content ? [source.slice(content.start, content.end)] : [];
  });
  return [...scripts, ...expressionsIn(fragment, source)].join('\n;');
}

function expressionsIn(node: unknown, source: string): string[] {
  if (Array.isArray(node)) return node.flatMap((each) => expressionsIn(each, source));
  if (node === null || typeof node !== 'object') return [];
  const { type, start, end } = node as { type?: string; start: number; end: number };
  if (type?.endsWith('Expression')) return [`(${source.slice(start, end)})`];
  return Object.values(node).flatMap((child) => expressionsIn(child, source));
}

/** What a script says, and what it should say. */
export function messagesIn(file: string, source: string): Found {
  const found: Found = { messages: [], unsaid: [] };
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true);

  function say(call: ts.CallExpression | ts.NewExpression): void {
    const [message, values] = call.arguments ?? [];
    if (!message || !ts.isStringLiteralLike(message)) return;
    found.messages.push({
      words: message.text,
      file,
      ...(values && ts.isObjectLiteralExpression(values)
        ? { values: values.properties.map(({ name }) => name?.getText() ?? '') }
        : {}),
    });
  }

  function said(call: ts.CallExpression): void {
    const [data, keys] = call.arguments;
    const only =
      keys && ts.isArrayLiteralExpression(keys)
        ? keys.elements.map((key) => (key as ts.StringLiteral).text)
        : undefined;
    const collect = (node: ts.Node, key?: string): void => {
      if (ts.isPropertyAssignment(node)) return collect(node.initializer, node.name.getText());
      if (ts.isFunctionLike(node)) return visit(node);
      if (ts.isStringLiteralLike(node)) {
        if (only === undefined || (key !== undefined && only.includes(key)))
          found.messages.push({ words: node.text, file });
        return;
      }
      ts.forEachChild(node, (child) => collect(child, key));
    };
    if (data) collect(data);
  }

  /** Every string among what a helper of sentences is given, but for paths and values. */
  function helped(call: ts.CallExpression): void {
    const collect = (node: ts.Node): void => {
      if (ts.isCallExpression(node) || ts.isFunctionLike(node)) return visit(node);
      if (ts.isPropertyAssignment(node) && /^(value|sign|path)$/.test(node.name.getText())) return;
      if (ts.isArrayLiteralExpression(node) && node.elements.every(ts.isStringLiteralLike)) return;
      if (ts.isStringLiteralLike(node)) found.messages.push({ words: node.text, file });
      else ts.forEachChild(node, collect);
    };
    call.arguments.forEach(collect);
  }

  function visit(node: ts.Node): void {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node) || ts.isTaggedTemplateExpression(node)) return;
    // The notes of a check stand in the document of the inspection, which is written in English.
    if (ts.isPropertyAssignment(node) && node.name.getText() === 'notes') return;
    if (ts.isCallExpression(node) || ts.isNewExpression(node)) {
      const name = ts.isPropertyAccessExpression(node.expression)
        ? node.expression.name.text
        : node.expression.getText();
      const says = name === 'say' || name === 'CannotNow';
      if (says) say(node);
      if (ts.isCallExpression(node)) {
        if (name === 'said') return said(node);
        else if (SENTENCE_HELPERS.has(name) && ts.isIdentifier(node.expression)) return helped(node);
      }
      if (FOR_PROGRAMS.test(name)) return;
      node.arguments?.slice(says && isLiteral(node.arguments[0]) ? 1 : 0).forEach(visit);
      return visit(node.expression);
    }
    const words = ts.isStringLiteralLike(node)
      ? node.text
      : ts.isTemplateExpression(node)
        ? [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join('…')
        : undefined;
    const isKey = ts.isPropertyAssignment(node.parent) && node.parent.name === node;
    if (words !== undefined && !isKey && isSentence(words)) found.unsaid.push(`${file}: ${node.getText()}`);
    ts.forEachChild(node, visit);
  }

  ts.forEachChild(tree, visit);
  return found;
}

const isLiteral = (node: ts.Node | undefined): boolean => node !== undefined && ts.isStringLiteralLike(node);

/** Whether words are written for people: several of them, one after the other, that are not names of styles. */
export function isSentence(words: string): boolean {
  const pieces = words.split(/\s+/).filter((piece) => /\p{L}{2}/u.test(piece));
  return pieces.some((piece) => !piece.includes('-')) && /\p{L}{2}[^\s=]*\s+\S|\S\s+\p{L}{2}/u.test(words);
}

/** The catalogue of a workspace: each message with the files that say it, in the order of their names. */
export function catalogueOf(workspace: string): Record<string, string> {
  const places = new Map<string, Set<string>>();
  for (const { file, source } of sourcesOf(workspace))
    for (const { words } of messagesIn(file, source).messages)
      places.set(words, (places.get(words) ?? new Set()).add(file));
  return Object.fromEntries([...places].map(([words, files]) => [words, [...files].join(', ')]));
}

/** The catalogue as the file that translators are given. */
export const catalogueFile = (workspace: string): string =>
  `${JSON.stringify(catalogueOf(workspace), undefined, 2)}\n`;
