import { formatNumber, workOut, type Recipe } from '../recipe/index.ts';
import { designProblem, partOf, type Design } from './design.ts';
import { addPart, withPart, type EditedDesign } from './parts.ts';
import { say } from '../words/index.ts';

/** Sizes of which each row makes a part: the measures that differ, and their values in each row. */
export interface SizeTable {
  readonly measures: readonly string[];
  readonly rows: readonly (readonly number[])[];
}

/** The rows of a table as it was typed or pasted, or one sentence that says which line is wrong and why. */
export type ReadSizes = { ok: true; rows: readonly (readonly number[])[] } | { ok: false; message: string };

/**
 * Reads sizes as people write or paste them: a line for each part, its numbers apart by blanks, tabs or semicolons; where
 * one measure differs alone, several parts may stand in a line. Numbers may have units and decimal commas.
 *
 * @example
 * readSizes('16 17,5 2 cm', 1) // { ok: true, rows: [[16], [17.5], [20]] }
 */
export function readSizes(text: string, columns: number): ReadSizes {
  const rows: number[][] = [];
  const refuse = (message: string): ReadSizes => ({ ok: false, message });
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const numbers: number[] = [];
    for (const word of wordsOf(line)) {
      const worked = workOut(word, new Map());
      if (!worked.ok) return refuse(say('Line {line}: {message}', { line: i + 1, message: worked.message }));
      numbers.push(worked.value);
    }
    if (numbers.length === 0) continue;
    if (columns === 1) rows.push(...numbers.map((each) => [each]));
    else if (numbers.length === columns) rows.push(numbers);
    else
      return refuse(
        say('Line {line} has {count, plural, one {one size} other {# sizes}}, and {columns} are needed.', {
          line: i + 1,
          count: numbers.length,
          columns,
        }),
      );
  }
  return { ok: true, rows };
}

/** The numbers of a line, each with the unit behind it. */
function wordsOf(line: string): string[] {
  return line.match(/[^\s;]+(?:\s+(?:mm|cm|m|in)(?![^\s;]))?/giu) ?? [];
}

/** What the part of a row is called: "Ring 17.5", or "Ring 17.5 × 3" where two measures differ. */
export function familyName(design: Design, partId: string, table: SizeTable, row: readonly number[]): string {
  const { name, recipe } = partOf(design, partId);
  const sizes = (values: readonly unknown[]) =>
    values.map((value) => (typeof value === 'number' ? formatNumber(value) : '')).join(' × ');
  // One of a family is no "Ring 16 17".
  const own = sizes(table.measures.map((each) => recipe.measures.find((one) => one.name === each)?.value));
  const stem = own !== '' && name.endsWith(` ${own}`) ? name.slice(0, -own.length - 1) : name;
  const end = ` ${sizes(row)}`;
  return `${stem.slice(0, 40 - end.length)}${end}`;
}

/**
 * Makes a part of each row: the part as it is, with the measures of the row. A part that has the name of a row already is
 * made anew, so that a family follows when its first part was changed.
 */
export function withFamily(design: Design, partId: string, table: SizeTable): EditedDesign {
  const refuse = (message: string): EditedDesign => ({ ok: false, problem: { message } });
  const { name, recipe } = partOf(design, partId);
  const missing = table.measures.find((each) => !recipe.measures.some((one) => one.name === each));
  if (missing !== undefined) {
    return refuse(
      design.measures.some((each) => each.name === missing)
        ? say('All parts share “{missing}”, so that it cannot differ: end its sharing first.', { missing })
        : say('The part “{part}” has no measure “{measure}” of its own.', { part: name, measure: missing }),
    );
  }
  if (table.measures.length === 0) return refuse(say('Choose the measures that differ.'));
  if (table.rows.length === 0) return refuse(say('Type the sizes, a line for each part.'));
  const names = table.rows.map((row) => familyName(design, partId, table, row));
  const twice = names.find((each, i) => names.indexOf(each) < i);
  if (twice !== undefined) return refuse(say('“{twice}” is in the table twice.', { twice }));

  let made = design;
  for (const [i, row] of table.rows.entries()) {
    const sized = withSizes(recipe, table.measures, row);
    const there = made.parts.find((part) => part.name === names[i]);
    if (there) {
      made = withPart(made, { ...there, recipe: sized });
      continue;
    }
    const added = addPart(made, names[i], sized);
    if (!added.ok) return added;
    made = added.design;
  }
  const problem = designProblem(made);
  return problem ? { ok: false, problem } : { ok: true, design: made };
}

function withSizes(recipe: Recipe, measures: readonly string[], row: readonly number[]): Recipe {
  return {
    ...recipe,
    measures: recipe.measures.map((measure) => {
      const at = measures.indexOf(measure.name);
      return at < 0 ? measure : { ...measure, value: row[at] };
    }),
  };
}
