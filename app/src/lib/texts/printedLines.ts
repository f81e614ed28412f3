import type { Role } from '@kelbrin/core/slice';
import { said, say } from '@kelbrin/core/words';

const roles: Record<Role, string> = said({
  skirt: 'skirt',
  brim: 'brim',
  wall: 'walls',
  thin: 'thin places',
  closed: 'closed areas',
  span: 'spans',
  inside: 'inside',
  support: 'supports',
  smooth: 'smoothing',
});

/** What is said of the lines that a layer is printed in. */
export const printedLinesTexts = {
  roles,
  ...said({
    hanging: 'hangs in the air',
    lines: 'Lines of this layer',
    layerOf: (number: number, of: number, mm: string) =>
      say('Layer {number} of {of}, up to {mm} mm', { number, of, mm }),
  } as const),
};
