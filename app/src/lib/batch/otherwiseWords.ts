import { everydaySettings, type PartChoice } from '@kelbrin/core/slice';
import { batchTexts as say } from '../texts/batch';
import { patternOf } from './waysInside';

/** What was chosen for one part of a batch alone, in words; empty where nothing was. */
export function otherwiseWords(own: PartChoice): string {
  const { infillShare, infillWay, infillDirections, wallLines, seam, seamAtMm, smoothsTops } = own;
  const pattern = infillWay === undefined && infillDirections === undefined ? undefined : patternOf(own, everydaySettings); // oxfmt-ignore
  const said = [
    [say.infill, infillShare === undefined ? undefined : `${Math.round(100 * infillShare)} %`],
    [say.pattern, say.patterns[pattern as keyof typeof say.patterns]],
    [say.wallLines, wallLines],
    [say.seam, seamAtMm ? say.seamMarked : seam && say.seams[seam]],
    [say.tops, smoothsTops === undefined ? undefined : say.topsAre[`${smoothsTops}`]],
  ] as const;
  return said
    .filter(([, value]) => value !== undefined)
    .map(([label, value]) => `${label}: ${value}`)
    .join('; ');
}
