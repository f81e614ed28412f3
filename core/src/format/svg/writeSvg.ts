import { extentOf, type Region } from '../../plane/index.ts';

/** Writes a region as an SVG drawing in millimetres: a plan or a section, filled, its openings left out. */
export function writeSvg(region: Region, title: string): string {
  const { x, y } = extentOf(region);
  const [width, height] = [x.high - x.low, y.high - y.low].map((mm) => Math.max(0.001, rounded(mm)));
  // A drawing's y runs down the page.
  const d = region
    .map(
      (outline) =>
        `M${outline.map(([px, py]) => `${rounded(px - x.low)} ${rounded(y.high - py)}`).join('L')}Z`,
    )
    .join('');
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">`,
    `<title>${escapedXml(title)}</title>`,
    `<path d="${d}" fill="#3b4747" fill-rule="evenodd"/>`,
    '</svg>',
    '',
  ].join('\n');
}

/** Text as it may stand in XML, signs that XML cannot hold left out. */
export function escapedXml(words: string): string {
  // Control characters other than tab and line breaks have no place in XML at all.
  // oxlint-disable-next-line no-control-regex
  const allowed = words.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '');
  const signs: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
  return allowed.replace(/[&<>"]/g, (sign) => signs[sign]);
}

function rounded(mm: number): number {
  return Math.round(mm * 1000) / 1000;
}
