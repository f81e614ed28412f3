/** A part of a small drawing, as an SVG path in a box of 120 × 60; `measured` is what is measured, `layer` a thin help. */
export type DrawnShape = readonly ['solid' | 'trouble' | 'air' | 'line' | 'measured' | 'layer', string];

/** Why a check is made: two sentences for a twelve-year-old, and a small drawing of what goes wrong. */
export interface Why {
  readonly words: readonly [string, string];
  readonly drawing: readonly DrawnShape[];
}

const HATCH =
  '<pattern id="h" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">' +
  '<rect width="4" height="4" fill="#f9e9e4"/><line x1="0" y1="0" x2="0" y2="4" stroke="#b5402a" stroke-width="1.6"/></pattern>';

const LOOKS: Record<DrawnShape[0], string> = {
  solid: 'fill="#d6e9e3" stroke="#22302e" stroke-width="1" stroke-linejoin="round"',
  trouble: 'fill="url(#h)" stroke="#b5402a" stroke-width="1.2"',
  air: 'fill="#ffffff" stroke="#22302e" stroke-width="1"',
  line: 'fill="none" stroke="#22302e" stroke-width="1.4" stroke-linecap="round"',
  measured: 'fill="none" stroke="#17695b" stroke-width="1.8" stroke-linecap="round"',
  layer: 'fill="none" stroke="#6b7b76" stroke-width="0.8" stroke-dasharray="2 1.6"',
};

/** The drawing as an SVG image, standing on the plate: material in pale green, trouble hatched. */
export function svgOf(drawing: Why['drawing']): string {
  const shapes = drawing.map(([kind, path]) => `<path d="${path}" ${LOOKS[kind]}/>`);
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 60" width="240" height="120">${HATCH}` +
    `${shapes.join('')}<path d="M2 52.8H118" stroke="#3b4747" stroke-width="1.8"/></svg>\n`
  );
}
