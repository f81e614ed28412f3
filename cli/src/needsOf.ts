import type { LimitsCard, PrintNeeds } from '@kelbrin/core/inspect';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { estimate, settingsFor, sliceInSteps } from '@kelbrin/core/slice';
import { workshop } from './workshop.ts';

/**
 * What printing a part takes at everyday settings; nothing if slicing it takes longer than there is time for.
 *
 * @param mostMs the time for it
 * @param tell hears how many steps are done
 */
export async function needsOf(
  mesh: SolidMesh,
  limits: LimitsCard,
  mostMs = Infinity,
  tell?: (done: number) => void,
): Promise<PrintNeeds | undefined> {
  const settings = settingsFor(limits);
  const steps = sliceInSteps((await workshop()).kernel, mesh, settings);
  const beganAt = performance.now();
  for (let done = 1; ; done++) {
    const step = steps.next();
    if (step.done) {
      const { seconds, grams } = estimate(step.value, settings);
      return { minutes: seconds / 60, grams };
    }
    if (performance.now() - beganAt > mostMs) {
      // Ended from outside, it gives the kernel's memory back.
      steps.return(undefined as never);
      return undefined;
    }
    tell?.(done);
  }
}
