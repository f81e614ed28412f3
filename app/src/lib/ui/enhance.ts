import { enhance as enhanceForm } from '$app/forms';
import { invalidateAll } from '$app/navigation';
import type { SubmitFunction } from '@sveltejs/kit';

/**
 * Sends a form without leaving the page, and leaves the focus where it is by then. Of forms that stand beside each other,
 * somebody may be typing in the next one while the last one is answered; the framework's own way would take the focus
 * away, and what is typed with it.
 */
export function enhance(form: HTMLFormElement, submit: SubmitFunction = takeAnswer): { destroy(): void } {
  return enhanceForm(form, submit);
}

/** The same, and does something more once the form was taken: `use:enhance={whenTaken(close)}`. */
export function whenTaken(done: () => void): SubmitFunction {
  return (input) => {
    const take = takeAnswer(input);
    return async (answer) => {
      if (answer.result.type === 'success') done();
      await (
        await take
      )?.(answer);
    };
  };
}

const takeAnswer: SubmitFunction = ({ formElement }) => {
  return async ({ result, update }) => {
    const focused = document.activeElement;
    const isElsewhere = focused !== null && focused !== document.body && !formElement.contains(focused);
    if (result.type !== 'success') return update();
    await (isElsewhere ? invalidateAll() : update({ reset: false }));
    // Last, so that the fields go on from what is kept now and not, for a moment, from what was kept before.
    formElement.reset();
  };
};
