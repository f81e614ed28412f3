import { FormatError } from '../formatError.ts';
import { XmlScanner } from '../xml.ts';
import { say } from '../../words/index.ts';

/** An element of a drawing with what lies in it. */
export interface SvgElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: SvgElement[];
}

/** A drawing as it was written: its elements, those that have names, and what its style sheets say. */
export interface SvgTree {
  readonly root: SvgElement;
  readonly byId: ReadonlyMap<string, SvgElement>;
  readonly styleSheet: string;
}

/** Larger files are pictures and not outlines. */
const MOST_CHARACTERS = 4_000_000;
const MOST_ELEMENTS = 20_000;
const MOST_STYLE_CHARACTERS = 200_000;

/** Reads the elements of a drawing. Throws a {@link FormatError} where it is no drawing, or too large. */
export function treeOf(source: string): SvgTree {
  if (source.length > MOST_CHARACTERS) throw new FormatError(say('the drawing is larger than 4 MB'));
  const byId = new Map<string, SvgElement>();
  const open: SvgElement[] = [];
  let root: SvgElement | undefined;
  let elements = 0;
  let styleSheet = '';
  const scanner = new XmlScanner(say('the drawing'), {
    open(name, attributes) {
      if (++elements > MOST_ELEMENTS) throw new FormatError(say('the drawing has more than 20,000 elements'));
      if (!root && name !== 'svg') throw new FormatError(say('the file is not an SVG drawing'));
      const element: SvgElement = { name, attributes, children: [] };
      root ??= element;
      open.at(-1)?.children.push(element);
      open.push(element);
      if (attributes.id !== undefined && !byId.has(attributes.id)) byId.set(attributes.id, element);
    },
    close() {
      open.pop();
    },
    text(words) {
      if (open.at(-1)?.name !== 'style') return;
      styleSheet += words;
      if (styleSheet.length > MOST_STYLE_CHARACTERS)
        throw new FormatError(say('the drawing has more styles than can be read'));
    },
  });
  scanner.write(source);
  scanner.close();
  if (!root) throw new FormatError(say('the file is not an SVG drawing'));
  return { root, byId, styleSheet };
}

/** What an element refers to: the text of its `href`, in whichever name space. */
export function hrefOf({ attributes }: SvgElement): string | undefined {
  return attributes.href ?? attributes['xlink:href'];
}
