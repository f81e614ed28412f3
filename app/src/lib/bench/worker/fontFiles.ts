import type { FontName } from '@kelbrin/core/recipe';
import hand from '@kelbrin/core/fonts/hand.woff?url';
import narrow from '@kelbrin/core/fonts/narrow.woff?url';
import rounded from '@kelbrin/core/fonts/rounded.woff?url';
import script from '@kelbrin/core/fonts/script.woff?url';
import slab from '@kelbrin/core/fonts/slab.woff?url';
import stencil from '@kelbrin/core/fonts/stencil.woff?url';
import sturdy from '@kelbrin/core/fonts/sturdy.woff?url';
import typewriter from '@kelbrin/core/fonts/typewriter.woff?url';

/** Where the letters' fonts are fetched from, by the worker that writes with them and the page that offers them. */
export const fontFiles: Record<FontName, string> = {
  sturdy,
  rounded,
  slab,
  narrow,
  stencil,
  script,
  typewriter,
  hand,
};
