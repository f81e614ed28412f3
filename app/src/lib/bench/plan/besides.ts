import { boxUnder, combined, inverse, isSquare, unmoved, type Box, type Pose } from '@kelbrin/core/mesh';
import { plateBox, stepWords, type Axis, type Step } from '@kelbrin/core/recipe';
import type { StepOutcome } from '@kelbrin/core/solid';
import { planTexts as say } from '../../texts/plan';
import type { SnapLine } from './snap';

/* What lies beside a step: the whole part may have been turned and scaled since one or the other was made. */

/** The box of another step where it lay when a step was made that has since gone the way of `since`; undefined where that is none. */
function boxBeside(other: StepOutcome, since: Pose | undefined): Box | undefined {
  if (other.since === undefined || since === undefined) return undefined;
  const between = combined(inverse(since), other.since);
  return isSquare(between) ? boxUnder(between, other.box) : undefined;
}

/** The box of what a step is placed on, that of a point for the plate. */
export function hostBoxOf(
  step: Step | undefined,
  outcomes: readonly StepOutcome[],
  since: Pose | undefined = unmoved,
): Box {
  const on = step && 'placement' in step ? step.placement.on : undefined;
  const host = on && 'step' in on ? outcomes.find(({ stepId }) => stepId === on.step) : undefined;
  return host ? (boxBeside(host, since) ?? host.box) : plateBox;
}

const EDGES = {
  x: ['left', 'right'],
  y: ['front', 'back'],
  z: ['lower', 'upper'],
} as const satisfies Record<Axis, readonly [string, string]>;

/** The box of what a step made where it lies now: the same, where no box says that. */
export function boxNow({ box, since }: StepOutcome): Box {
  return since && isSquare(since) ? boxUnder(since, box) : box;
}

/**
 * Sides and middles of all other steps along an axis, and the middle of the plate or its top, in the space of what has since
 * gone the way of `since`.
 */
export function snapLinesOf(
  axis: Axis,
  steps: readonly Step[],
  outcomes: readonly StepOutcome[],
  marked: string | undefined,
  since: Pose | undefined = unmoved,
): SnapLine[] {
  const i = 'xyz'.indexOf(axis);
  const [low, high] = EDGES[axis];
  return [
    { at: 0, of: axis === 'z' ? say.topOfPlate : say.middleOfPlate },
    ...outcomes.flatMap((outcome) => {
      const box = outcome.stepId === marked ? undefined : boxBeside(outcome, since);
      if (!box) return [];
      const name = stepWords(steps, steps.findIndex(({ id }) => id === outcome.stepId)); // oxfmt-ignore
      return [
        { at: box.min[i], of: say.sideOf(low, name) },
        { at: (box.min[i] + box.max[i]) / 2, of: say.middleOf(name) },
        { at: box.max[i], of: say.sideOf(high, name) },
      ];
    }),
  ];
}
