import * as z from 'zod';
import { changesIn, type ColourBands } from '../../colours/index.ts';
import { materialNamed, type Material } from '../../machine/index.ts';
import {
  everydaySettings,
  printSettings,
  supportSettings,
  type PrintSettings,
  type SupportSettings,
} from './printSettings.ts';
import { said } from '../../words/index.ts';

/** A named way to print, of which a few numbers differ from the everyday one. */
export interface SettingSet {
  readonly id: 'trial' | 'everyday' | 'detail';
  readonly name: string;
  /** What it is good for, in a sentence. */
  readonly what: string;
  readonly changes: Partial<PrintSettings>;
}

/** The ways to print, the everyday one first. */
export const settingSets: readonly SettingSet[] = said(
  [
    {
      id: 'everyday',
      name: 'Everyday',
      what: 'For most parts.',
      changes: {},
    },
    {
      id: 'trial',
      name: 'Trial',
      what: 'Thick layers and a loose inside: done soonest, for trying a shape.',
      changes: { layerMm: 0.3, infillShare: 0.1 },
    },
    {
      id: 'detail',
      name: 'Detail',
      what: 'Thin layers, printed slowly: for slopes and small letters.',
      changes: { layerMm: 0.15, wallMmPerS: 30, closedLayers: 5 },
    },
  ],
  ['name', 'what'],
);

/** What a limits card says of the printer and of what may be chosen. */
interface Printer {
  readonly layerMm: number;
  readonly lineWidthMm: number;
  readonly layerHeightsMm: readonly number[];
  readonly buildVolumeMm: readonly [number, number, number];
  readonly material: string;
  /** What the school has noted of that material; ordinary values hold if it is not said. */
  readonly filament?: Material;
  /** How much smaller holes come out across, and by how much the first layer spreads; nothing if it is not said. */
  readonly holesSmallerMm?: number;
  readonly firstLayerSpreadMm?: number;
  /** What supports may stand on; none if it is not said. */
  readonly supports?: 'none' | SupportSettings['stand'];
}

/** The ways to print whose layers a card allows; the everyday one prints with the card's usual layers. */
export function allowedSets({ layerHeightsMm }: Pick<Printer, 'layerHeightsMm'>): SettingSet[] {
  return settingSets.filter(
    ({ changes: { layerMm } }) => layerMm === undefined || layerHeightsMm.includes(layerMm),
  );
}

/** The settings of one of the ways to print, the everyday one if none is named, on the printer and in the material of a limits card. */
export function settingsFor(
  {
    layerMm,
    lineWidthMm,
    buildVolumeMm: [width, depth, height],
    material,
    filament = materialNamed(material),
    holesSmallerMm = 0,
    firstLayerSpreadMm = 0,
    supports = 'none',
  }: Omit<Printer, 'layerHeightsMm'>,
  id: SettingSet['id'] = 'everyday',
): PrintSettings {
  const { gramsPerCm3, wallMmPerS, ...asMaterial } = filament;
  const settings: PrintSettings = {
    ...everydaySettings,
    ...asMaterial,
    wallMmPerS,
    filamentGramsPerCm3: gramsPerCm3,
    layerMm,
    lineWidthMm,
    plateMm: [width, depth],
    heightMm: height,
    holeGrowthMm: holesSmallerMm / 2,
    firstLayerInsetMm: firstLayerSpreadMm,
    supports: supports === 'none' ? null : supportSettings.parse({ stand: supports }),
    ...settingSets.find((set) => set.id === id)?.changes,
  };
  // A way to print makes it slower, and never faster than the material allows.
  settings.wallMmPerS = Math.min(settings.wallMmPerS, wallMmPerS);
  return { ...settings, firstLayerMm: Math.max(settings.layerMm, Math.min(0.2, layerMm)) };
}

/** The settings of a part that is printed by itself in the colours that it is wished in. */
export function settingsForPart(card: Omit<Printer, 'layerHeightsMm'>, colours: ColourBands): PrintSettings {
  return { ...settingsFor(card), colourChangesMm: changesIn(colours) };
}

/** The few numbers that are chosen for a plate; whatever is left out is as the way to print has it. */
export const printChoice = z.strictObject({
  set: z.enum(['everyday', 'trial', 'detail']).default('everyday'),
  infillShare: printSettings.shape.infillShare.unwrap().optional(),
  /** Whether layers are fine where a part slopes and thick where it does not, within those that the card allows. */
  isAdapted: z.boolean().optional(),
  infillWay: printSettings.shape.infillWay.unwrap().optional(),
  infillDirections: printSettings.shape.infillDirections.unwrap().optional(),
  seam: printSettings.shape.seam.unwrap().optional(),
  wallLines: printSettings.shape.wallLines.unwrap().optional(),
  brimMm: printSettings.shape.brimMm.unwrap().optional(),
  smoothsTops: printSettings.shape.smoothsTops.unwrap().optional(),
  hopMm: printSettings.shape.hopMm.unwrap().optional(),
  isOneByOne: printSettings.shape.isOneByOne.unwrap().optional(),
  /** How supports go down, where the card allows some. */
  supportForm: supportSettings.shape.form.unwrap().optional(),
  colourChangesMm: printSettings.shape.colourChangesMm.unwrap().optional(),
});
export type PrintChoice = z.infer<typeof printChoice>;

/**
 * What may be chosen for one part of a plate otherwise than for the others; whatever is left out is as the plate has it. What
 * all parts share, such as their layers, is not among it.
 */
export const partChoice = printChoice
  .pick({
    infillShare: true,
    infillWay: true,
    infillDirections: true,
    seam: true,
    wallLines: true,
    smoothsTops: true,
  })
  .extend({
    /** Where its seam is to be, from the middle of its box on the plate, before it is turned there. */
    seamAtMm: printSettings.shape.seamAtMm.unwrap().unwrap().optional(),
  });
export type PartChoice = z.infer<typeof partChoice>;

/** How one part is printed, all in all. */
export type PieceChoice = PrintChoice & Pick<PartChoice, 'seamAtMm'>;

/** What is chosen at all: nothing of what was left open. */
export function chosenIn<T extends object>(choice: T): Partial<T> {
  return Object.fromEntries(Object.entries(choice).filter(([, value]) => value !== undefined)) as Partial<T>;
}

/** How a part is printed on a plate: as the plate is, but for what was chosen for it alone. */
export function choiceOfPart(choice: PrintChoice, own: PartChoice | null | undefined): PieceChoice {
  return { ...choice, ...chosenIn(own ?? {}) };
}

/** The settings that a choice makes on the printer of a limits card. */
export function settingsOf(
  card: Printer,
  { set, isAdapted, supportForm, ...changes }: PieceChoice,
): PrintSettings {
  const { layerHeightsMm } = card;
  const usual = settingsFor(card, set);
  return {
    ...usual,
    ...chosenIn(changes),
    ...(usual.supports && supportForm ? { supports: { ...usual.supports, form: supportForm } } : {}),
    ...(isAdapted ? { adaptLayersMm: [Math.min(...layerHeightsMm), Math.max(...layerHeightsMm)] } : {}),
  };
}
