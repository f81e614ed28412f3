import * as z from 'zod';
import { say } from '../words/index.ts';

/** The colours in which a part can be wished: such as filament is sold in, told apart from a few steps away. */
const hexes = {
  leafGreen: '#3f8f5f',
  chalkWhite: '#f2f0e8',
  sootBlack: '#26292b',
  slateGrey: '#5f6b6d',
  brickRed: '#bb3426',
  pumpkin: '#de7c2c',
  sunYellow: '#e9bf2b',
  lime: '#9dbb3a',
  mint: '#9fcfb4',
  seaGreen: '#17695b',
  skyBlue: '#5fa3cf',
  inkBlue: '#2b4a7f',
  plum: '#7b4a74',
  rose: '#d98a9c',
  sand: '#cdb58b',
  bark: '#6e4a31',
} as const;

/** What a colour is called in data. */
export type FilamentColour = keyof typeof hexes;

/** The colours in the order in which they are offered. */
export const filamentColours = Object.keys(hexes) as readonly FilamentColour[];

export const filamentColour = z.enum(Object.keys(hexes) as [FilamentColour, ...FilamentColour[]]);

/** How a colour is drawn, #rrggbb. */
export function hexOf(colour: FilamentColour): string {
  return hexes[colour];
}

/** What a colour is called. */
export function colourName(colour: FilamentColour): string {
  return names()[colour];
}

const names = (): Record<FilamentColour, string> => ({
  leafGreen: say('leaf green'),
  chalkWhite: say('chalk white'),
  sootBlack: say('soot black'),
  slateGrey: say('slate grey'),
  brickRed: say('brick red'),
  pumpkin: say('pumpkin orange'),
  sunYellow: say('sun yellow'),
  lime: say('lime'),
  mint: say('mint'),
  seaGreen: say('sea green'),
  skyBlue: say('sky blue'),
  inkBlue: say('ink blue'),
  plum: say('plum'),
  rose: say('rose'),
  sand: say('sand'),
  bark: say('bark brown'),
});

/** The colour that comes closest to what eyes see of a roll, #rrggbb: by the distance in CIELAB (CIE 1976). */
export function nearestColour(hex: string): FilamentColour {
  const seen = labOf(hex);
  const far = (colour: FilamentColour) =>
    Math.hypot(...labOf(hexes[colour]).map((part, i) => part - seen[i]));
  return filamentColours.reduce((best, each) => (far(each) < far(best) ? each : best));
}

/** Lightness, green to red and blue to yellow of a colour in sRGB under daylight (IEC 61966-2-1, CIE 15). */
function labOf(hex: string): readonly [number, number, number] {
  const [r, g, b] = [1, 3, 5].map((from) => {
    const share = Number.parseInt(hex.slice(from, from + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  const bent = (share: number) =>
    share > 216 / 24389 ? Math.cbrt(share) : (share * 24389) / 27 / 116 + 16 / 116;
  const x = bent((0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.9505);
  const y = bent(0.2126 * r + 0.7152 * g + 0.0722 * b);
  const z = bent((0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.089);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}
