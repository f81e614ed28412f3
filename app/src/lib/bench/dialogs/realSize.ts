/** A bank card is as wide as this everywhere (ISO/IEC 7810, ID-1), mm. */
export const CARD_MM = [85.6, 53.98] as const;

/** What a screen is taken to show before it was measured: 96 px to the inch. */
const USUAL_PX_PER_MM = 96 / 25.4;
const KEPT = 'kelbrin.pixelsPerMm';

/** The widths of a card on any screen of today, from a projector far off to a phone, px. */
export const CARD_PX = { least: 120, most: 900 } as const;

/** How many pixels of this screen are a millimetre, as it was measured with a card, or else as is usual. */
export function keptPixelsPerMm(storage: Pick<Storage, 'getItem'>): number {
  const kept = Number(storage.getItem(KEPT));
  return kept * CARD_MM[0] >= CARD_PX.least && kept * CARD_MM[0] <= CARD_PX.most ? kept : USUAL_PX_PER_MM;
}

export function keepPixelsPerMm(storage: Pick<Storage, 'setItem'>, pixelsPerMm: number): void {
  storage.setItem(KEPT, String(pixelsPerMm));
}

/**
 * Edges as seen along an axis, as the path of an SVG in mm: x to the right, and upwards what lies to the back, or higher.
 *
 * @param edges Both ends of each, x, y and z one after the other, mm.
 */
export function seenFrom(side: 'above' | 'front', edges: Float32Array): string {
  const up = side === 'above' ? 1 : 2;
  const lines = new Set<string>();
  for (let i = 0; i + 5 < edges.length; i += 6) {
    const place = (at: number) => `${edges[at].toFixed(2)} ${(-edges[at + up]).toFixed(2)}`;
    const [from, to] = [place(i), place(i + 3)];
    // What runs along the sight is a point, and what lies behind another is seen once.
    if (from !== to) lines.add(from < to ? `M${from}L${to}` : `M${to}L${from}`);
  }
  return [...lines].join('');
}
