import { checks, svgOf, WARN_BAND } from '../inspect/index.ts';
import { measuredDrawings } from './measuredDrawings.ts';
import { remedyKinds } from '../advise/index.ts';

/** The document of the inspection in Markdown, and its pictures by their file names. */
export interface InspectionDocument {
  readonly words: string;
  readonly pictures: ReadonlyMap<string, string>;
}

/** Every check with its definition, limit, sources and blind spots, made from the checks themselves. */
export function inspectionDocument(): InspectionDocument {
  const sections = checks.map(({ id, title, why, notes }) => {
    const { measures, limit, source, blindSpots } = notes;
    const mended = remedyKinds.filter((kind) => kind.checks.includes(id)).map((kind) => `\`${kind.id}\``);
    return [
      `## \`${id}\`: ${title}`,
      `![${title}](inspection/${id}.svg) ![What is measured](inspection/${id}-measured.svg)`,
      why.words.join(' '),
      `**Measures.** ${measures}`,
      `**Limit.** ${limit}`,
      ...(source ? [`**Source.** ${source}`] : []),
      `**Does not see.** ${blindSpots}`,
      ...(mended.length > 0 ? [`**Remedies.** ${mended.join(', ')}.`] : []),
    ].join('\n\n');
  });
  return {
    words: `${intro}\n\n${sections.join('\n\n')}\n`,
    pictures: new Map(
      checks.flatMap(({ id, why }) => [
        [`${id}.svg`, svgOf(why.drawing)] as const,
        [`${id}-measured.svg`, svgOf(measuredDrawings[id])] as const,
      ]),
    ),
  };
}

const intro = `# What the inspection looks at

<!-- Made by “./run docs” from the checks. -->

Every part is held against a limits card: live on each edit, and once more on the server when it is handed in, whose
result is the one that counts. A check passes, warns or fails. It warns within ${100 * WARN_BAND} % of its limit on the good side; that
rule is the same for all. A length that is within 0.005 mm of its limit meets it.

A *ceiling* is a connected region of faces that look down, lean further than \`maxOverhangDeg\` from the vertical, do not
rest on the plate, and reach out further than one line of plastic.

Of each check the first drawing says why it is made, and the second, in dark green, what is measured.

A remedy is a change of the recipe that was built and inspected before it is offered. The finding must be gone, no other
check may fail that did not fail before, and nothing may be lost: no step that is hardly to be seen any more, no hole
that has become a notch. What is offered first costs least: a small change of one sentence, or laying the part on another
face, before what changes its size and look, and before what adds a thing; what leaves nothing failing comes before all
else, and where one change does not do that, changes are put together. A teacher’s choices for failing recipes hold that
order. \`./run kelbrin remedies RECIPE\` lists them.`;
