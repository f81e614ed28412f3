import { boundsOf, sectionAt, type SolidMesh } from '../mesh/index.ts';
import type { Finding } from './result/inspection.ts';

/** White around the part, mm. */
const MARGIN_MM = 5;
/** A section in the very plane of a face shows nothing; it is taken so far inside. */
const INSIDE_MM = 0.01;

/**
 * The section of a part at the height of a finding, as an SVG image at a scale of 1 user unit a millimetre, seen from
 * above, y up: material is pale, the finding's triangles are drawn over it in outline, its place is a ring.
 */
export function placeDrawing(mesh: SolidMesh, { at: [x, y, z], triangles, message }: Finding): string {
  const { min, max } = boundsOf(mesh);
  const zMm = Math.min(max[2] - INSIDE_MM, Math.max(min[2] + INSIDE_MM, z));
  const point = (px: number, py: number) => `${short(px)} ${short(-py)}`;
  const section = sectionAt(mesh, zMm)
    .map(({ points }) => `M${points.map(([px, py]) => point(px, py)).join('L')}Z`)
    .join('');
  const place = triangles
    .map((triangle) => {
      const corners = [0, 1, 2].map((k) => 3 * mesh.triangles[3 * triangle + k]);
      return `M${corners.map((c) => point(mesh.positions[c], mesh.positions[c + 1])).join('L')}Z`;
    })
    .join('');
  const [width, height] = [max[0] - min[0] + 2 * MARGIN_MM, max[1] - min[1] + 2 * MARGIN_MM];
  const box = [min[0] - MARGIN_MM, -max[1] - MARGIN_MM, width, height].map(short).join(' ');
  const words = escaped(`${message} (section at ${short(zMm)} mm)`);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}" width="${short(width)}mm" height="${short(height)}mm">`,
    `<title>${words}</title>`,
    `<path d="${section}" fill="#d6e9e3" fill-rule="evenodd" stroke="#22302e" stroke-width="0.15"/>`,
    `<path d="${place}" fill="none" stroke="#b5402a" stroke-width="0.1"/>`,
    `<circle cx="${short(x)}" cy="${short(-y)}" r="1" fill="none" stroke="#b5402a" stroke-width="0.3"/>`,
    '</svg>\n',
  ].join('\n');
}

const short = (value: number) => String(Math.round(1000 * value) / 1000 + 0);

function escaped(words: string): string {
  return words.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
}
