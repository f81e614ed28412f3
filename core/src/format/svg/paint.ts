import { numbersOf } from './lengths.ts';
import type { Look } from './styles.ts';

/** What a fill or a stroke does: draws, takes away as white does on white paper, or nothing. */
export type Paint = 'ink' | 'paper' | 'none';

/** A channel this high is taken for white. */
const WHITE = 250;

/** What a fill or stroke of this look does. A stroke is nothing unless it is said, a fill is black. */
export function paintOf(look: Look, which: 'fill' | 'stroke'): Paint {
  const said = look[which] ?? (which === 'fill' ? 'black' : 'none');
  const colour = (said.toLowerCase() === 'currentcolor' ? (look.color ?? 'black') : said).toLowerCase();
  if (colour === 'none' || colour === 'transparent' || isNothing(look[`${which}-opacity`])) return 'none';
  if (colour === 'white') return 'paper';
  const channels = channelsOf(colour);
  if (!channels) return 'ink';
  const [red, green, blue, alpha] = channels;
  if (alpha === 0) return 'none';
  return Math.min(red, green, blue) >= WHITE ? 'paper' : 'ink';
}

/** Whether an opacity lets nothing be seen. */
export function isNothing(opacity: string | undefined): boolean {
  return opacity !== undefined && numbersOf(opacity)[0] === 0;
}

/** Red, green and blue of 0 to 255 and the opacity; undefined for what is said otherwise. */
function channelsOf(colour: string): readonly [number, number, number, number] | undefined {
  if (/^#(?:[\da-f]{3,4}|[\da-f]{6}|[\da-f]{8})$/.test(colour)) {
    const digits = colour.slice(1);
    const size = digits.length < 6 ? 1 : 2;
    const of = (i: number) => {
      const part = digits.slice(i * size, (i + 1) * size);
      return part === '' ? 255 : parseInt(size === 1 ? part + part : part, 16);
    };
    return [of(0), of(1), of(2), of(3)];
  }
  if (!colour.startsWith('rgb')) return undefined;
  const n = numbersOf(colour);
  if (n.length < 3) return undefined;
  const scale = colour.includes('%') ? 2.55 : 1;
  return [n[0] * scale, n[1] * scale, n[2] * scale, n[3] ?? 1];
}
