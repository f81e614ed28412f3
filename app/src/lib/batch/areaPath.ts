import type { Region } from '@kelbrin/core/plane';

/** A region as the path of a drawing whose y runs down, with y = `depthMm` at the top. */
export function areaPath(region: Region, depthMm: number): string {
  return region
    .map((outline) => `M${outline.map(([x, y]) => `${x.toFixed(2)} ${(depthMm - y).toFixed(2)}`).join('L')}Z`)
    .join('');
}
