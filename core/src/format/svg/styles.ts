import type { SvgElement } from './tree.ts';

/** What is said of an element’s look, by the names of the properties. */
export type Look = Readonly<Record<string, string>>;

/** Properties that hold for what lies in an element as well, unless it says otherwise (SVG 2, appendix F). */
const INHERITED = new Set([
  'clip-rule',
  'color',
  'fill',
  'fill-opacity',
  'fill-rule',
  'marker',
  'marker-end',
  'marker-mid',
  'marker-start',
  'stroke',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'stroke-miterlimit',
  'stroke-opacity',
  'stroke-width',
  'visibility',
]);

/** Properties of the element alone. */
const OWN = new Set(['clip-path', 'display', 'filter', 'mask', 'opacity', 'transform']);

interface Rule {
  readonly selector: Selector;
  readonly look: Look;
}

/** A selector of one element: its name, its id, its classes. */
interface Selector {
  readonly name?: string;
  readonly id?: string;
  readonly classes: readonly string[];
  /** How much it weighs against others (Selectors 4, § 17): ids, then classes, then names. */
  readonly weight: number;
}

/** The rules of style sheets, and what each element looks like by them. */
export class Styles {
  readonly #rules: readonly Rule[];
  /** Whether there were rules that are not understood, and that may have mattered. */
  readonly hasOthers: boolean;

  constructor(styleSheet: string) {
    const { rules, hasOthers } = rulesOf(styleSheet);
    // Later rules win over earlier ones of the same weight, which a stable sort leaves in their order.
    this.#rules = rules.sort((a, b) => a.selector.weight - b.selector.weight);
    this.hasOthers = hasOthers;
  }

  /** What an element looks like inside another that looks like `outer`. */
  of({ name, attributes }: SvgElement, outer: Look): Look {
    const look = new Map(Object.entries(outer).filter(([property]) => INHERITED.has(property)));
    const take = (said: Look) => {
      for (const [property, value] of Object.entries(said)) {
        if (!INHERITED.has(property) && !OWN.has(property)) continue;
        if (value !== 'inherit') look.set(property, value);
        else if (property in outer) look.set(property, outer[property]);
        else look.delete(property);
      }
    };
    take(attributes);
    const classes = new Set(attributes.class?.split(/\s/));
    for (const { selector, look: said } of this.#rules) {
      if (selector.name !== undefined && selector.name !== name) continue;
      if (selector.id !== undefined && selector.id !== attributes.id) continue;
      if (selector.classes.every((each) => classes.has(each))) take(said);
    }
    if (attributes.style) take(declarationsOf(attributes.style));
    return Object.fromEntries(look);
  }
}

/** How many rules are read: each is held against each element. */
const MOST_RULES = 500;

function rulesOf(styleSheet: string): { rules: Rule[]; hasOthers: boolean } {
  const css = withoutComments(styleSheet);
  const rules: Rule[] = [];
  let hasOthers = false;
  for (let at = 0; ;) {
    const open = css.indexOf('{', at);
    if (open < 0) return { rules, hasOthers };
    const head = css.slice(at, open).trim();
    const isAt = head.includes('@');
    const close = isAt ? endOfBlock(css, open) : css.indexOf('}', open);
    const end = close < 0 ? css.length : close;
    if (isAt) hasOthers ||= !head.includes('@font-face') && !head.includes('@import');
    else {
      const look = declarationsOf(css.slice(open + 1, end));
      for (const words of head.split(',')) {
        const selector = selectorOf(words.trim());
        if (selector && rules.length < MOST_RULES) rules.push({ selector, look });
        else hasOthers = true;
      }
    }
    at = end + 1;
  }
}

function withoutComments(css: string): string {
  const kept: string[] = [];
  for (let at = 0; ;) {
    const open = css.indexOf('/*', at);
    kept.push(open < 0 ? css.slice(at) : css.slice(at, open));
    const close = open < 0 ? -1 : css.indexOf('*/', open + 2);
    if (close < 0) return kept.join(' ');
    at = close + 2;
  }
}

/** Where a block ends that has others in it. */
function endOfBlock(css: string, open: number): number {
  let depth = 0;
  for (let at = open; at < css.length; at++) {
    if (css[at] === '{') depth++;
    else if (css[at] === '}' && --depth === 0) return at;
  }
  return -1;
}

function declarationsOf(words: string): Look {
  const look: Record<string, string> = {};
  for (const declaration of words.split(';')) {
    const colon = declaration.indexOf(':');
    if (colon < 0) continue;
    const important = declaration.indexOf('!', colon);
    const value = declaration.slice(colon + 1, important < 0 ? undefined : important);
    look[declaration.slice(0, colon).trim().toLowerCase()] = value.trim();
  }
  return look;
}

/** `path`, `.a`, `#b`, `path.a.c`, `*`; undefined for what looks at more than the element itself. */
function selectorOf(words: string): Selector | undefined {
  if (words === '' || !/^[\w\-.#*]+$/.test(words)) return undefined;
  const [name, ...others] = words.split(/(?=[.#])/);
  const isName = !/^[.#]/.test(name);
  const marks = isName ? others : [name, ...others];
  const classes = marks.filter((mark) => mark.startsWith('.')).map((mark) => mark.slice(1));
  const [id] = marks.filter((mark) => mark.startsWith('#')).map((mark) => mark.slice(1));
  const named = isName && name !== '*' ? name : undefined;
  const weight = (id === undefined ? 0 : 10_000) + 100 * classes.length + (named === undefined ? 0 : 1);
  return { name: named, id, classes, weight };
}
