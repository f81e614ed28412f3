import {
  fieldAt,
  isUndrawn,
  isUnfinished,
  type FieldPath,
  type OutlineSpec,
  type Step,
} from '@kelbrin/core/recipe';

/** Whether somebody is drawing an outline of a step that bounds no area yet, which is no mistake. */
export function isBeingDrawn(step: Step, drawing: { stepId: string; path: FieldPath } | undefined): boolean {
  if (drawing?.stepId !== step.id) return false;
  const outline = fieldAt(step, drawing.path) as OutlineSpec | undefined;
  return outline?.shape === 'points' && isUnfinished(outline);
}

/** Whether a field has become an outline that waits to be drawn. */
export function waitsToBeDrawn(value: unknown): boolean {
  const outline = value as OutlineSpec | null | undefined;
  return typeof outline === 'object' && outline?.shape === 'points' && isUndrawn(outline);
}

/** Where a new step waits to be drawn, if it does. */
export function drawingBegunBy(step: Step | undefined): { stepId: string; path: FieldPath } | undefined {
  return step && 'outline' in step && waitsToBeDrawn(step.outline)
    ? { stepId: step.id, path: ['outline'] }
    : undefined;
}
