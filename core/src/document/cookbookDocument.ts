import { plainSentence, sentenceOf } from '../recipe/index.ts';
import { lessonObjects, type LessonObject } from './lessonObjects/index.ts';

/** The cookbook in Markdown: what lessons make, as sentences, with what each teaches. */
export function cookbookDocument(): string {
  return `${[head(), ...lessonObjects.map(section)].join('\n\n')}\n`;
}

function head(): string {
  return [
    '# The cookbook',
    '',
    '<!-- Made from the recipes by “./run docs”; a test holds it against the code. -->',
    '',
    'Objects of ordinary lessons, each as its recipe reads on the bench. A number in a sentence can be changed where it',
    'stands, and the rest follows. [recipe.md](recipe.md) has every kind of step.',
  ].join('\n');
}

function section({ title, purpose, recipe, teaches, family }: LessonObject): string {
  const measures = recipe.measures.map(({ name, value }) => `\`${name}\` = ${String(value)} mm`);
  const sentences = recipe.steps.map((step, index) => {
    const words = plainSentence(sentenceOf(step, { recipe, index }));
    return `${index + 1}. **${step.name}**: ${words}`;
  });
  const sizes = family?.rows.map((row) => row.join(' ')).join(', ');
  return [
    `## ${title}`,
    '',
    purpose,
    '',
    ...(measures.length > 0 ? [`Measures: ${measures.join(', ')}`, ''] : []),
    ...sentences,
    '',
    ...(family ? [`A family of sizes: ${family.measures.join(', ')} = ${sizes}.`, ''] : []),
    'What it teaches:',
    '',
    ...teaches.map((each) => `- ${each}`),
  ].join('\n');
}
