import type { Unit } from './amount.ts';
import { constantNamed, functionNamed, functionNames, type FormulaFunction } from './formulaFunctions.ts';
import { said, say, sayList } from '../words/index.ts';

/** The value of a formula, or one sentence that says what is wrong with it. */
export type Worked = { ok: true; value: number } | { ok: false; message: string };

/** A unit that may stand behind a number: what is counted in it, and how much one of it is. */
interface KnownUnit {
  readonly of: Exclude<Unit, ''>;
  readonly factor: number;
}

const UNITS: Readonly<Record<string, KnownUnit>> = {
  mm: { of: 'mm', factor: 1 },
  cm: { of: 'mm', factor: 10 },
  m: { of: 'mm', factor: 1000 },
  in: { of: 'mm', factor: 25.4 },
  inch: { of: 'mm', factor: 25.4 },
  '"': { of: 'mm', factor: 25.4 },
  '°': { of: '°', factor: 1 },
  '%': { of: '%', factor: 1 },
  g: { of: 'g', factor: 1 },
  kg: { of: 'g', factor: 1000 },
  min: { of: 'min', factor: 1 },
  h: { of: 'min', factor: 60 },
};

/** Names that a measure cannot have, since a number may be followed by them. */
export const unitNames: readonly string[] = ['mm', 'cm', 'm', 'in', 'inch', '"', '°', '%'];

/** What is counted in each unit, and which units may be typed for it. */
const KINDS: Readonly<Record<Unit, { readonly what: string; readonly units: string }>> = said({
  mm: { what: 'a length', units: 'mm, cm, m or in' },
  '°': { what: 'an angle', units: '°' },
  '%': { what: 'a share', units: '%' },
  g: { what: 'a weight', units: 'g or kg' },
  min: { what: 'a time', units: 'min or h' },
  '': { what: 'a number without a unit', units: '' },
});

/**
 * Works out plain arithmetic: + − × ÷ (also `*`, `/`, `:`), brackets, numbers as people write them anywhere (decimal points
 * or commas, thousands apart), units behind numbers, the names of measures, and functions such as `sqrt(2)` or
 * `min(a; b)`. The result counts in `unit`, and a unit of another kind is an error; without it, as in a measure, every
 * unit may stand there, and lengths come out in millimetres.
 *
 * @example
 * workOut('cane + 0.4', new Map([['cane', 8]])) // { ok: true, value: 8.4 }
 * workOut('2 in', new Map(), 'mm') // { ok: true, value: 50.8 }
 * workOut('max(cane; 10) * sin(30)', new Map([['cane', 8]])) // { ok: true, value: 5 }
 * workOut('2 in', new Map(), '°') // { ok: false, message: '“in” is for a length, and this is an angle.' }
 */
export function workOut(formula: string, measures: ReadonlyMap<string, number>, unit?: Unit): Worked {
  try {
    const value = new Reader(formula, measures, unit).whole();
    if (!Number.isFinite(value)) return { ok: false, message: say('Nothing can be divided by 0.') };
    // A millionth of a millimetre is far below anything; it hides the noise of binary fractions.
    return { ok: true, value: Math.round(value * 1e6) / 1e6 };
  } catch (error) {
    if (error instanceof FormulaError) return { ok: false, message: error.message };
    throw error;
  }
}

/** The names that a formula uses. */
export function namesIn(formula: string): string[] {
  const names: string[] = [];
  for (const token of tokensOf(formula)) {
    const isUnit = token.type === 'name' && token.afterNumber && unitNamed(token.text) !== undefined;
    if (token.type === 'name' && !isUnit && !token.isCalled) names.push(token.text);
  }
  return names;
}

/** The formula with a measure called something else. */
export function withRenamed(formula: string, from: string, to: string): string {
  return tokensOf(formula)
    .map(
      ({ type, text, before, isCalled }) =>
        before + (type === 'name' && !isCalled && text === from ? to : text),
    )
    .join('');
}

class FormulaError extends Error {}

interface Token {
  readonly type: 'number' | 'name' | 'sign';
  readonly text: string;
  /** The blanks before it. */
  readonly before: string;
  readonly afterNumber: boolean;
  /** Whether a bracket follows, so that a name is that of a function. */
  isCalled: boolean;
}

/**
 * A number as it is written anywhere: thousands may stand apart by a blank or an apostrophe, or by the one of point and
 * comma that is not the decimal sign. A single point or comma is a decimal sign, but for a comma before a blank, as it
 * stands between the numbers of a function.
 */
const NUMBER = [
  String.raw`\d{1,3}(?:[\u0020\u00a0\u2009\u202f'’]\d{3})+(?:[.,]\d*)?(?!\d)`,
  String.raw`\d{1,3}(?:,\d{3})+\.\d*`,
  String.raw`\d{1,3}(?:\.\d{3})+,\d*`,
  String.raw`\d{1,3}(?:,\d{3}){2,}(?!\d)`,
  String.raw`\d{1,3}(?:\.\d{3}){2,}(?!\d)`,
  String.raw`\d+(?:\.\d*|,(?!\s)\d*)?`,
  String.raw`[.,]\d+`,
].join('|');

const PIECE = new RegExp(
  String.raw`(\s*)(?:(${NUMBER})|([\p{L}_][\p{L}\p{N}_]*|["°%])|([-+*/:()−×÷·;,])|(\S))`,
  'gu',
);

function tokensOf(formula: string): Token[] {
  const tokens: Token[] = [];
  for (const [, before, number, name, sign, other] of formula.matchAll(PIECE)) {
    if (other !== undefined) throw new FormulaError(say('“{other}” cannot stand in a number.', { other }));
    const type = number !== undefined ? 'number' : name !== undefined ? 'name' : 'sign';
    const last = tokens.at(-1);
    if (last && sign === '(') last.isCalled = true;
    tokens.push({
      type,
      text: number ?? name ?? sign,
      before,
      afterNumber: last?.type === 'number',
      isCalled: false,
    });
  }
  return tokens;
}

/** The worth of a number as it was written. */
function numberWritten(written: string): number {
  const signs = written.replace(/[^.,]/g, '');
  const last = signs.at(-1);
  // A sign that comes more than once stands between thousands.
  const decimal = last !== undefined && signs.indexOf(last) === signs.length - 1 ? last : undefined;
  const [whole, rest = ''] = decimal === undefined ? [written] : splitAtLast(written, decimal);
  return Number(`${whole.replace(/\D/g, '') || '0'}.${rest || '0'}`);
}

function splitAtLast(words: string, sign: string): [string, string] {
  const at = words.lastIndexOf(sign);
  return [words.slice(0, at), words.slice(at + 1)];
}

function unitNamed(name: string): KnownUnit | undefined {
  const key = name.toLowerCase();
  return Object.hasOwn(UNITS, key) ? UNITS[key] : undefined;
}

/** Reads by recursive descent: a sum of products of signed atoms. */
class Reader {
  readonly #tokens: Token[];
  readonly #measures: ReadonlyMap<string, number>;
  /** What numbers count in; another one within some functions. */
  #unit: Unit | undefined;
  #at = 0;

  constructor(formula: string, measures: ReadonlyMap<string, number>, unit: Unit | undefined) {
    this.#tokens = tokensOf(formula);
    this.#measures = measures;
    this.#unit = unit;
  }

  whole(): number {
    if (this.#tokens.length === 0) throw new FormulaError(say('Type a number, such as 12.5.'));
    const value = this.#sum();
    const left = this.#tokens[this.#at];
    if (left)
      throw new FormulaError(say('Kelbrin does not understand “{text}” at this place.', { text: left.text }));
    return value;
  }

  #sum(): number {
    let value = this.#product();
    for (;;) {
      if (this.#takes('+')) value += this.#product();
      else if (this.#takes('-', '−')) value -= this.#product();
      else return value;
    }
  }

  #product(): number {
    let value = this.#signed();
    for (;;) {
      if (this.#takes('*', '×', '·')) value *= this.#signed();
      else if (this.#takes('/', '÷', ':')) value /= this.#signed();
      else return value;
    }
  }

  #signed(): number {
    if (this.#takes('-', '−')) return -this.#signed();
    if (this.#takes('+')) return this.#signed();
    return this.#atom();
  }

  #atom(): number {
    const token = this.#tokens[this.#at++];
    if (!token) throw new FormulaError(say('A number is missing at the end.'));
    if (token.type === 'number') {
      const next = this.#tokens[this.#at];
      if (next?.type !== 'name') return numberWritten(token.text);
      this.#at++;
      return numberWritten(token.text) * this.#factorOf(next.text);
    }
    if (token.type === 'name' && token.isCalled) return this.#called(token.text);
    if (token.type === 'name') {
      const value = this.#measures.get(token.text) ?? constantNamed(token.text);
      if (value === undefined)
        throw new FormulaError(
          say('“{text}” is not a number, and no measure is called that.', { text: token.text }),
        );
      return value;
    }
    if (token.text !== '(')
      throw new FormulaError(
        say('Kelbrin does not understand “{text}” at this place.', { text: token.text }),
      );
    const value = this.#sum();
    if (!this.#takes(')')) throw new FormulaError(say('A bracket is not closed: add “)”.'));
    return value;
  }

  /** The value of a function, whose name was read. */
  #called(name: string): number {
    const known = functionNamed(name);
    if (!known)
      throw new FormulaError(
        say('“{name}” is no function: Kelbrin knows {known}.', { name, known: sayList(functionNames) }),
      );
    const numbers = this.#within(known.unit ?? this.#unit, () => this.#numbers());
    if (numbers.length < known.least || numbers.length > known.most)
      throw new FormulaError(countWords(name, known));
    const value = known.of(...numbers);
    if (typeof value === 'string') throw new FormulaError(value);
    return value;
  }

  /** The numbers in the brackets of a function. */
  #numbers(): number[] {
    const numbers: number[] = [];
    this.#takes('(');
    do numbers.push(this.#sum());
    while (this.#takes(';', ','));
    if (!this.#takes(')')) throw new FormulaError(say('A bracket is not closed: add “)”.'));
    return numbers;
  }

  /** Reads what counts in another unit than the rest. */
  #within<Read>(unit: Unit | undefined, read: () => Read): Read {
    const outer = this.#unit;
    this.#unit = unit;
    const found = read();
    this.#unit = outer;
    return found;
  }

  /** How much one of a unit is in the unit that numbers count in here. */
  #factorOf(name: string): number {
    const found = unitNamed(name);
    const wanted = this.#unit === undefined ? undefined : KINDS[this.#unit];
    if (!found && this.#unit === '')
      throw new FormulaError(say('“{name}” cannot stand in a number.', { name }));
    if (!found) {
      const known = wanted?.units || KINDS.mm.units;
      throw new FormulaError(
        say('“{name}” is no unit: Kelbrin knows {known}.', { name, known: known.replace(' or ', ' and ') }),
      );
    }
    if (wanted && found.of !== this.#unit)
      throw new FormulaError(
        say('“{name}” is for {given}, and this is {wanted}.', {
          name,
          given: KINDS[found.of].what,
          wanted: wanted.what,
        }),
      );
    return found.factor;
  }

  #takes(...signs: string[]): boolean {
    const token = this.#tokens[this.#at];
    if (token?.type !== 'sign' || !signs.includes(token.text)) return false;
    this.#at++;
    return true;
  }
}

function countWords(name: string, { least, most }: FormulaFunction): string {
  if (most === 1) return say('“{name}” takes one number.', { name });
  if (least === 1) return say('“{name}” takes one number, or two with “;” between them.', { name });
  return say('“{name}” takes two numbers or more, with “;” between them.', { name });
}
