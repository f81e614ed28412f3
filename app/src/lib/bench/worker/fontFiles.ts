import type { CutName } from '@kelbrin/core/letters';
import drawing from '@kelbrin/core/fonts/drawing.woff?url';
import drawingGreek from '@kelbrin/core/fonts/drawing-greek.woff?url';
import hand from '@kelbrin/core/fonts/hand.woff?url';
import handGreek from '@kelbrin/core/fonts/hand-greek.woff?url';
import narrow from '@kelbrin/core/fonts/narrow.woff?url';
import narrowGreek from '@kelbrin/core/fonts/narrow-greek.woff?url';
import rounded from '@kelbrin/core/fonts/rounded.woff?url';
import roundedArabic from '@kelbrin/core/fonts/rounded-arabic.woff?url';
import roundedGreek from '@kelbrin/core/fonts/rounded-greek.woff?url';
import script from '@kelbrin/core/fonts/script.woff?url';
import signs from '@kelbrin/core/fonts/signs.woff?url';
import signsMore from '@kelbrin/core/fonts/signs-more.woff?url';
import slab from '@kelbrin/core/fonts/slab.woff?url';
import slabGreek from '@kelbrin/core/fonts/slab-greek.woff?url';
import stencil from '@kelbrin/core/fonts/stencil.woff?url';
import sturdy from '@kelbrin/core/fonts/sturdy.woff?url';
import sturdyGreek from '@kelbrin/core/fonts/sturdy-greek.woff?url';
import sturdyWorld from '@kelbrin/core/fonts/sturdy-world.woff?url';
import typewriter from '@kelbrin/core/fonts/typewriter.woff?url';
import typewriterGreek from '@kelbrin/core/fonts/typewriter-greek.woff?url';

/** Where the letters are fetched from, by the worker that writes with them and the page that offers them. */
export const fontFiles: Record<CutName, string> = {
  sturdy,
  'sturdy-greek': sturdyGreek,
  'sturdy-world': sturdyWorld,
  rounded,
  'rounded-arabic': roundedArabic,
  'rounded-greek': roundedGreek,
  slab,
  'slab-greek': slabGreek,
  narrow,
  'narrow-greek': narrowGreek,
  stencil,
  script,
  typewriter,
  'typewriter-greek': typewriterGreek,
  hand,
  'hand-greek': handGreek,
  signs,
  'signs-more': signsMore,
  drawing,
  'drawing-greek': drawingGreek,
};
