import { SaxesParser, type SaxesTagPlain } from 'saxes';
import { FormatError } from './formatError.ts';
import { say } from '../words/index.ts';

/** What a reader of XML is told of, in the order of the file. Names come without the prefix of their name space. */
export interface XmlEvents {
  open(name: string, attributes: Readonly<Record<string, string>>): void;
  close?(name: string): void;
  text?(words: string): void;
}

/** How deep elements may lie in each other; deeper nesting can only be meant to harm. */
const DEEPEST = 64;
/** How many attributes one element may have. */
const MOST_ATTRIBUTES = 64;
/** How many letters all entities together may bring. */
const MOST_ENTITY_CHARACTERS = 1_000_000;

/**
 * Reads XML as it comes, piece by piece, without keeping it: no tree is made, entities are short words and not made of
 * others, and nothing is fetched. Throws a {@link FormatError} that names `what` where it is not well-formed, or nested too deep.
 */
export class XmlScanner {
  readonly #parser = new SaxesParser<{ xmlns: false; position: false }>({ xmlns: false, position: false });
  #depth = 0;
  #attributes = 0;

  constructor(what: string, { open, close, text }: XmlEvents) {
    const parser = this.#parser;
    parser.on('error', (error) => {
      throw new FormatError(say('{what} is not well-formed XML', { what }), { cause: error });
    });
    parser.on('opentagstart', () => (this.#attributes = 0));
    parser.on('attribute', () => {
      if (++this.#attributes > MOST_ATTRIBUTES)
        throw new FormatError(
          say('{what} has an element with more than {most} attributes', { what, most: MOST_ATTRIBUTES }),
        );
    });
    parser.on('opentag', ({ name, attributes }: SaxesTagPlain) => {
      if (++this.#depth > DEEPEST)
        throw new FormatError(
          say('{what} has elements that lie more than {least} deep in each other', { what, least: DEEPEST }),
        );
      open(localName(name), attributes);
    });
    parser.on('closetag', ({ name }: SaxesTagPlain) => {
      this.#depth--;
      close?.(localName(name));
    });
    parser.on('doctype', (doctype) => declareEntities(parser, doctype, what));
    if (text) {
      parser.on('text', text);
      parser.on('cdata', text);
    }
  }

  write(piece: string): void {
    this.#parser.write(piece);
  }

  /** Says that the file is at its end. */
  close(): void {
    this.#parser.close();
  }
}

/**
 * Takes up the entities that a document type declares inside the file: `<!ENTITY name "words">`. Each stands for its words
 * as they are, and all together may bring only so much.
 */
function declareEntities(
  parser: SaxesParser<{ xmlns: false; position: false }>,
  doctype: string,
  what: string,
): void {
  let characters = 0;
  for (let at = doctype.indexOf('<!ENTITY'); at >= 0; at = doctype.indexOf('<!ENTITY', at + 1)) {
    let quote = at;
    while (quote < doctype.length && doctype[quote] !== '"' && doctype[quote] !== "'") quote++;
    const end = doctype.indexOf(doctype[quote], quote + 1);
    if (end < 0) return;
    const name = doctype.slice(at + '<!ENTITY'.length, quote).trim();
    const words = doctype.slice(quote + 1, end);
    Object.defineProperty(parser.ENTITIES, name, {
      configurable: true,
      get(): string {
        characters += words.length;
        if (words.includes('&') || characters > MOST_ENTITY_CHARACTERS)
          throw new FormatError(say('{what} has entities that would make it much larger', { what }));
        return words;
      },
    });
    at = end;
  }
}

function localName(name: string): string {
  const colon = name.indexOf(':');
  return colon < 0 ? name : name.slice(colon + 1);
}
