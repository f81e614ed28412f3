import type { Token } from '@kelbrin/core/recipe';

/** Tokens by what they are, so that a field stays the same one when others come or go before it. */
export function keyedTokens(tokens: readonly Token[]): { readonly token: Token; readonly key: string }[] {
  const seen = new Map<string, number>();
  return tokens.map((token) => {
    const name = token.type === 'text' ? token.text : [token.type, ...token.path, token.label].join();
    const count = seen.get(name) ?? 0;
    seen.set(name, count + 1);
    return { token, key: [name, count].join() };
  });
}

/** The mark with which a text begins, if there is a text at that place: it stays with the field before it. */
export function markAt(tokens: readonly Token[], i: number): string {
  const token = tokens.at(i);
  return token?.type === 'text' ? (/^[.,;]/.exec(token.text)?.[0] ?? '') : '';
}

/** The text at a place without the mark that stands with the field before it. */
export function textAt(tokens: readonly Token[], i: number): string {
  const token = tokens[i];
  if (token.type !== 'text') return '';
  const before = tokens.slice(0, i).findLast(({ type }) => type !== 'drop');
  return before && before.type !== 'text' ? token.text.slice(markAt(tokens, i).length) : token.text;
}
