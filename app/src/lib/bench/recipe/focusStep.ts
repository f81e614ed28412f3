/** What can be changed in a step, what one is likeliest to change first. */
const FIELDS = ['textarea', '[role=spinbutton]', 'select', 'button'];

/** Goes to what is changed first in a step of the recipe, so that typing takes its place. */
export function focusStep(stepId: string): void {
  const step = document.querySelector(`[data-step="${stepId}"]`);
  const field = FIELDS.map((each) => step?.querySelector<HTMLElement>(each)).find(Boolean);
  field?.focus();
  if (field instanceof HTMLTextAreaElement || field instanceof HTMLInputElement) field.select();
}
