import * as z from 'zod';

/*
 * What a schema says of data that does not fit, wherever the schema has no sentence of its own: words for people, without
 * the names of types. They stand after a colon, as in “That does not work here: it has more than 40 characters.”
 */

type Issue = Parameters<NonNullable<NonNullable<Parameters<typeof z.config>[0]>['customError']>>[0];

function wordsOf(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? 'something is missing here'
        : (kinds[issue.expected] ?? ANOTHER_KIND);
    case 'too_big':
      return tooMuch[issue.origin]?.(String(issue.maximum)) ?? 'it is too large';
    case 'too_small':
      if (issue.origin === 'string' && Number(issue.minimum) === 1) return 'it is empty';
      return tooLittle[issue.origin]?.(String(issue.minimum), issue.inclusive !== false) ?? 'it is too small';
    case 'unrecognized_keys':
      return `“${issue.keys.join('”, “')}” is not known here`;
    case 'invalid_format':
      return 'it is not written as it should be';
    default:
      return 'that cannot be used here';
  }
}

const ANOTHER_KIND = 'this is of another kind than what belongs here';
const kinds: Readonly<Record<string, string>> = {
  number: 'a number belongs here',
  int: 'a whole number belongs here',
  string: 'words belong here',
  array: 'a list belongs here',
};
const tooMuch: Readonly<Record<string, (most: string) => string>> = {
  string: (most) => `it has more than ${most} characters`,
  array: (most) => `there are more than ${most}`,
  number: (most) => `it is more than ${most}`,
};
const tooLittle: Readonly<Record<string, (least: string, orEqual: boolean) => string>> = {
  string: (least) => `it has fewer than ${least} characters`,
  array: (least) => `there are fewer than ${least}`,
  number: (least, orEqual) => (orEqual ? `it is less than ${least}` : `it must be more than ${least}`),
};

z.config({ customError: wordsOf });
