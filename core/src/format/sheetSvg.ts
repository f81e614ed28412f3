import { lineStyles, NARROW_MM, WIDE_MM, type LineKind, type Sheet } from '../sheet/index.ts';
import type { Point, Region } from '../plane/index.ts';
import { escapedXml } from './svg/writeSvg.ts';

const INK = '#22302e';

/** Writes a drawing sheet as SVG in millimetres. Words are areas, each with what it says for those who cannot see it. */
export function writeSheetSvg({ widthMm, heightMm, title, lines, texts, fills }: Sheet): string {
  // A drawing's y runs down the page.
  const at = ([x, y]: Point) => `${rounded(x)} ${rounded(heightMm - y)}`;
  const areas = (region: Region) => region.map((outline) => `M${outline.map(at).join('L')}Z`).join('');
  const linesOf = (kind: LineKind) =>
    lines
      .filter((line) => line.kind === kind)
      .map(({ points }) => `M${points.map(at).join('L')}`)
      .join('');
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}">`,
    `<title>${escapedXml(title)}</title>`,
    `<rect width="${widthMm}" height="${heightMm}" fill="#ffffff"/>`,
    `<g fill="none" stroke="${INK}" stroke-linecap="round" stroke-linejoin="round">`,
    ...(Object.keys(lineStyles) as LineKind[]).map((kind) => {
      const { isWide, dashesMm } = lineStyles[kind];
      const dashes = dashesMm ? ` stroke-dasharray="${dashesMm.join(' ')}" stroke-linecap="butt"` : '';
      return `<path stroke-width="${isWide ? WIDE_MM : NARROW_MM}"${dashes} d="${linesOf(kind)}"/>`;
    }),
    '</g>',
    `<g fill="${INK}">`,
    ...fills.map(
      ({ region, colour }) => `<path${colour ? ` fill="${escapedXml(colour)}"` : ''} d="${areas(region)}"/>`,
    ),
    ...texts.map(
      ({ words, region }) => `<path d="${areas(region)}"><title>${escapedXml(words)}</title></path>`,
    ),
    '</g>',
    '</svg>',
    '',
  ].join('\n');
}

/** To a thousandth of a millimetre, which no printer of sheets can show. */
function rounded(mm: number): number {
  return Math.round(mm * 1000) / 1000;
}
