import * as z from 'zod';
import type { LimitsCard } from '@kelbrin/core/inspect';
import { ordinaryHead, type PrintHead } from '@kelbrin/core/machine';
import type { Plate } from '@kelbrin/core/plate';

/** How near to the edge of the plate parts may come: plastic holds badly there, and the skirt needs room. */
const EDGE_MM = 5;
/** How far apart parts are laid, brims left aside, so that each can be taken off by itself. */
const GAP_MM = 3;

/** The plate of the printers that a limits card is for; brims have to find room on it too. */
export function plateOf(
  { buildVolumeMm: [widthMm, depthMm] }: Pick<LimitsCard, 'buildVolumeMm'>,
  { brimMm = 0 }: { readonly brimMm?: number } = {},
): Plate {
  return { widthMm, depthMm, edgeMm: EDGE_MM + brimMm };
}

/** How far apart the parts of a batch have to be, with their brims; the head has to get between them where they are printed one after another. */
export function gapOf(
  { brimMm = 0, isOneByOne = false }: { readonly brimMm?: number; readonly isOneByOne?: boolean },
  { besideMm }: Pick<PrintHead, 'besideMm'> = ordinaryHead,
): number {
  return (isOneByOne ? Math.max(besideMm, GAP_MM) : GAP_MM) + 2 * brimMm;
}

/** Where a part was put by hand. */
export const placementDraft = z.strictObject({
  xMm: z.number().min(0).max(1000),
  yMm: z.number().min(0).max(1000),
  turnDeg: z.number().min(0).max(360),
});

/** What parts have in common that can be printed together: they are for one filament and printed in the same lines. */
export function printKeyOf({
  material,
  layerMm,
  lineWidthMm,
  buildVolumeMm,
  holesSmallerMm = 0,
  firstLayerSpreadMm = 0,
}: Pick<LimitsCard, 'material' | 'layerMm' | 'lineWidthMm' | 'buildVolumeMm'> &
  Partial<Pick<LimitsCard, 'holesSmallerMm' | 'firstLayerSpreadMm'>>): string {
  const sizes = [holesSmallerMm, firstLayerSpreadMm];
  return JSON.stringify([material.toLowerCase(), layerMm, lineWidthMm, buildVolumeMm, ...sizes]);
}
