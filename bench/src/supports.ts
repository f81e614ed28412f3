import { classroomLimits, facesToHold } from '@kelbrin/core/inspect';
import { setDown } from '@kelbrin/core/mesh';
import { nodeWorkshop } from '@kelbrin/core/node';
import {
  estimate,
  everydaySettings,
  slice,
  supportForms,
  supportSettings,
  writeGcode,
} from '@kelbrin/core/slice';
import { hangingParts } from '../../core/test/hangingParts.ts';
import { witness } from '../../core/test/witness/witness.ts';

/*
 * Holds sixty parts that hang from below, and looks at what the lines of their G-code lie on then. Prints what still hangs,
 * and what supports cost in slicing, in plastic and in time.
 */

/**
 * A line that hangs loose for less is held by those beside it, mm; a branch may reach so far over an edge that it stands on, or
 * begin on a slope with a small round.
 */
const LOOSE_MM = { columns: 2.5, branches: 4 };
const ROUNDS = 3;

const { kernel } = await nodeWorkshop();
const { maxBridgeMm } = classroomLimits;
const timed = (work: () => void) => {
  const times = Array.from({ length: ROUNDS }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  });
  return times.toSorted((a, b) => a - b)[1];
};

for (const form of supportForms) {
  let [hanging, bareMs, heldMs, notedMs, bareS, heldS, bareG, heldG] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (const { name, make } of hangingParts) {
    const mesh = setDown(make(kernel));
    const settings = {
      ...everydaySettings,
      supports: supportSettings.parse({ stand: 'part', form }),
    };
    const faces = facesToHold(mesh, classroomLimits);
    bareMs += timed(() => slice(kernel, mesh, everydaySettings));
    // As a batch is sliced: what there is to note of supports was noted when the part was inspected.
    heldMs += timed(() => slice(kernel, mesh, settings, faces, false));
    notedMs += timed(() => slice(kernel, mesh, settings, faces));
    const bare = estimate(slice(kernel, mesh, everydaySettings), everydaySettings);
    const toolpath = slice(kernel, mesh, settings, faces);
    const held = estimate(toolpath, settings);
    [bareS, heldS] = [bareS + bare.seconds, heldS + held.seconds];
    [bareG, heldG] = [bareG + bare.grams, heldG + held.grams];
    const seen = witness(writeGcode(toolpath, settings, { offsetMm: [100, 100] }), { reachLayers: 2 });
    const isHeld =
      seen.islands.length === 0 && seen.longestLooseMm < LOOSE_MM[form] && seen.longestSpanMm < maxBridgeMm;
    if (isHeld) continue;
    hanging++;
    console.log(
      `${name}: ${seen.islands.length} pieces in the air, ${seen.longestLooseMm.toFixed(1)} mm loose, ${seen.longestSpanMm.toFixed(1)} mm spanned`,
    );
  }
  console.log(
    `${form}: ${hanging} of ${hangingParts.length} still hang; slicing ${(heldMs / bareMs).toFixed(2)} times as long, ` +
      `${(notedMs / bareMs).toFixed(2)} where it is inspected as well, ` +
      `printing ${(heldS / bareS).toFixed(2)}, plastic ${(heldG / bareG).toFixed(2)}`,
  );
}
