/** The value of a formula, or one sentence that says what is wrong with it. */
export type Worked = { ok: true; value: number } | { ok: false; message: string };

/** Millimetres in each unit of length that may stand behind a number; a degree and a per cent count as they are. */
const UNITS: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  inch: 25.4,
  '"': 25.4,
  '°': 1,
  '%': 1,
};

/** Names that a measure cannot have, since a number may be followed by them. */
export const unitNames: readonly string[] = Object.keys(UNITS);

/**
 * Works out plain arithmetic: + − × ÷ (also `*`, `/`, `:`), brackets, decimal points or commas, units behind numbers, and the
 * names of measures. Lengths come out in millimetres.
 *
 * @example
 * workOut('cane + 0.4', new Map([['cane', 8]])) // { ok: true, value: 8.4 }
 * workOut('2 in', new Map()) // { ok: true, value: 50.8 }
 */
export function workOut(formula: string, measures: ReadonlyMap<string, number>): Worked {
  try {
    const value = new Reader(formula, measures).whole();
    if (!Number.isFinite(value)) return { ok: false, message: 'That divides by zero.' };
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
    const isUnit = token.type === 'name' && token.afterNumber && token.text.toLowerCase() in UNITS;
    if (token.type === 'name' && !isUnit) names.push(token.text);
  }
  return names;
}

/** The formula with a measure called something else. */
export function withRenamed(formula: string, from: string, to: string): string {
  return tokensOf(formula)
    .map(({ type, text, before }) => before + (type === 'name' && text === from ? to : text))
    .join('');
}

class FormulaError extends Error {}

interface Token {
  readonly type: 'number' | 'name' | 'sign';
  readonly text: string;
  /** The blanks before it. */
  readonly before: string;
  readonly afterNumber: boolean;
}

const PIECE = /(\s*)(?:(\d+(?:[.,]\d*)?|[.,]\d+)|([\p{L}_][\p{L}\p{N}_]*|["°%])|([-+*/:()−×÷·])|(\S))/gu;

function tokensOf(formula: string): Token[] {
  const tokens: Token[] = [];
  for (const [, before, number, name, sign, other] of formula.matchAll(PIECE)) {
    if (other !== undefined) throw new FormulaError(`“${other}” has no meaning here.`);
    const type = number !== undefined ? 'number' : name !== undefined ? 'name' : 'sign';
    tokens.push({
      type,
      text: number ?? name ?? sign,
      before,
      afterNumber: tokens.at(-1)?.type === 'number',
    });
  }
  return tokens;
}

/** Reads by recursive descent: a sum of products of signed atoms. */
class Reader {
  readonly #tokens: Token[];
  readonly #measures: ReadonlyMap<string, number>;
  #at = 0;

  constructor(formula: string, measures: ReadonlyMap<string, number>) {
    this.#tokens = tokensOf(formula);
    this.#measures = measures;
  }

  whole(): number {
    if (this.#tokens.length === 0) throw new FormulaError('A number is missing.');
    const value = this.#sum();
    const left = this.#tokens[this.#at];
    if (left) throw new FormulaError(`“${left.text}” is not expected there.`);
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
    if (!token) throw new FormulaError('Something is missing at the end.');
    if (token.type === 'number') {
      const unit = this.#tokens[this.#at];
      const factor = unit?.type === 'name' ? UNITS[unit.text.toLowerCase()] : 1;
      if (factor === undefined) {
        throw new FormulaError(`“${unit.text}” is no unit: Kelbrin knows mm, cm, m and in.`);
      }
      if (unit?.type === 'name') this.#at++;
      return Number(token.text.replace(',', '.')) * factor;
    }
    if (token.type === 'name') {
      const value = this.#measures.get(token.text);
      if (value === undefined) throw new FormulaError(`There is no measure called “${token.text}”.`);
      return value;
    }
    if (token.text !== '(') throw new FormulaError(`“${token.text}” is not expected there.`);
    const value = this.#sum();
    if (!this.#takes(')')) throw new FormulaError('A bracket is not closed.');
    return value;
  }

  #takes(...signs: string[]): boolean {
    const token = this.#tokens[this.#at];
    if (token?.type !== 'sign' || !signs.includes(token.text)) return false;
    this.#at++;
    return true;
  }
}
