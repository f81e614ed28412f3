import type { Unit } from '../../recipe/index.ts';
import type { LimitsCard } from './limits.ts';
import { said, say } from '../../words/index.ts';

/** A number on a limits card as people read it. */
export interface LimitField {
  /** The keys that lead from the card to the number. */
  readonly path: readonly (string | number)[];
  readonly label: string;
  /** What it counts in; an area and a ratio count in nothing that is typed behind a number. */
  readonly unit: Unit | 'mm²';
}

/** The numbers of a limits card, in the groups and the order in which they are read. */
export const limitFields: readonly { readonly title: string; readonly fields: readonly LimitField[] }[] =
  said(
    [
      {
        title: 'The printer',
        fields: [
          { path: ['buildVolumeMm', 0], label: 'Usable width', unit: 'mm' },
          { path: ['buildVolumeMm', 1], label: 'Usable depth', unit: 'mm' },
          { path: ['buildVolumeMm', 2], label: 'Usable height', unit: 'mm' },
          { path: ['nozzleMm'], label: 'Nozzle', unit: 'mm' },
          { path: ['lineWidthMm'], label: 'Line width', unit: 'mm' },
          { path: ['layerMm'], label: 'Layer height', unit: 'mm' },
        ],
      },
      {
        title: 'What it can make',
        fields: [
          { path: ['minWallMm'], label: 'Thinnest wall', unit: 'mm' },
          { path: ['minHoleMm'], label: 'Smallest hole', unit: 'mm' },
          { path: ['minGapMm'], label: 'Narrowest gap', unit: 'mm' },
          { path: ['minReliefMm'], label: 'Lowest letters and shapes', unit: 'mm' },
          { path: ['maxOverhangDeg'], label: 'Steepest overhang', unit: '°' },
          { path: ['maxBridgeMm'], label: 'Longest bridge', unit: 'mm' },
          { path: ['minBaseMm2'], label: 'Smallest area on the plate', unit: 'mm²' },
          { path: ['maxSlenderness'], label: 'Tallest, as a multiple of its width', unit: '' },
        ],
      },
      {
        title: 'How plastic comes out',
        fields: [
          { path: ['shrinkagePercent'], label: 'Shrinkage', unit: '%' },
          { path: ['fitAllowanceMm', 'loose'], label: 'Added for a loose fit', unit: 'mm' },
          { path: ['fitAllowanceMm', 'sliding'], label: 'Added for a sliding fit', unit: 'mm' },
          { path: ['fitAllowanceMm', 'snug'], label: 'Added for a snug fit', unit: 'mm' },
          { path: ['fitAllowanceMm', 'press'], label: 'Added for a press fit', unit: 'mm' },
        ],
      },
      {
        title: 'What the class allows',
        fields: [
          { path: ['maxMinutes'], label: 'Longest print', unit: 'min' },
          { path: ['maxGrams'], label: 'Most filament', unit: 'g' },
          { path: ['filamentPricePerKg'], label: 'Price of 1 kg of filament', unit: '' },
        ],
      },
    ],
    ['title', 'label'],
  );

/** What a field of the card says. */
export function limitAt(card: LimitsCard, { path }: LimitField): number {
  return path.reduce<unknown>((at, key) => (at as Record<string | number, unknown>)[key], card) as number;
}

/** The card with one of its numbers put to another value, not yet checked. */
export function withLimit(card: LimitsCard, { path }: LimitField, value: number): LimitsCard {
  const changed = structuredClone(card) as unknown as Record<string | number, unknown>;
  let at = changed;
  for (const key of path.slice(0, -1)) at = at[key] as typeof at;
  at[path.at(-1)!] = value;
  return changed as unknown as LimitsCard;
}

/** What a field of the card is called, by the keys that lead to it; the keys themselves for one that is none. */
export function limitLabel(path: readonly PropertyKey[]): string {
  const key = path.join();
  const field = limitFields.flatMap(({ fields }) => fields).find((each) => each.path.join() === key);
  if (path[0] === 'layerHeightsMm') return say('Layer heights allowed');
  return field?.label ?? path.map(String).join(' › ');
}
