import * as z from 'zod';
import { said, say } from '../words/index.ts';

/*
 * What a schema says of data that does not fit, wherever the schema has no sentence of its own: words for people, without
 * the names of types. They stand after a colon, as in “That does not work here: it has more than 40 characters.”
 */

type Issue = Parameters<NonNullable<NonNullable<Parameters<typeof z.config>[0]>['customError']>>[0];

function wordsOf(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? say('something is missing here')
        : (kinds[issue.expected] ?? say('this is of another kind than what belongs here'));
    case 'too_big':
      return tooMuch[issue.origin]?.(String(issue.maximum)) ?? say('it is too large');
    case 'too_small':
      if (issue.origin === 'string' && Number(issue.minimum) === 1) return say('it is empty');
      return (
        tooLittle[issue.origin]?.(String(issue.minimum), issue.inclusive !== false) ?? say('it is too small')
      );
    case 'unrecognized_keys':
      return say('“{keys}” is not known here', { keys: issue.keys.join('”, “') });
    case 'invalid_format':
      return say('it is not written as it should be');
    default:
      return say('that cannot be used here');
  }
}

const kinds: Readonly<Record<string, string>> = said({
  number: 'a number belongs here',
  int: 'a whole number belongs here',
  string: 'words belong here',
  array: 'a list belongs here',
});
const tooMuch: Readonly<Record<string, (most: string) => string>> = {
  string: (most) => say('it has more than {most} characters', { most }),
  array: (most) => say('there are more than {most}', { most }),
  number: (most) => say('it is more than {most}', { most }),
};
const tooLittle: Readonly<Record<string, (least: string, orEqual: boolean) => string>> = {
  string: (least) => say('it has fewer than {least} characters', { least }),
  array: (least) => say('there are fewer than {least}', { least }),
  number: (least, orEqual) =>
    orEqual ? say('it is less than {least}', { least }) : say('it must be more than {least}', { least }),
};

z.config({ customError: wordsOf });
