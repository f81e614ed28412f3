import { enhance as enhanceForm } from '$app/forms';
import type { SubmitFunction } from '@sveltejs/kit';

/**
 * Sends a form without leaving the page, and leaves the focus where it is by then. Of forms that stand beside each other,
 * somebody may be typing in the next one while the last one is answered; the framework's own way would take the focus
 * away, and what is typed with it.
 */
export function enhance(form: HTMLFormElement, submit: SubmitFunction = takeAnswer): { destroy(): void } {
  return enhanceForm(form, async (input) => {
    const take = await submit(input);
    return take && ((answer) => take({ ...answer, update: keepingFocus(answer.update) }));
  });
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
    if (result.type !== 'success') return update();
    await update({ reset: false });
    // Last, so that the fields go on from what is kept now and not, for a moment, from what was kept before.
    formElement.reset();
  };
};

/** The framework's way to show an answer, with the focus given back at once to whatever had it last. */
function keepingFocus<Options>(
  update: (options?: Options) => Promise<void>,
): (options?: Options) => Promise<void> {
  return async (options) => {
    let last = document.activeElement;
    const follow = ({ target }: FocusEvent) => {
      if (target instanceof Element && target !== document.body) last = target;
    };
    document.addEventListener('focusin', follow);
    await update(options).finally(() => document.removeEventListener('focusin', follow));
    const isLost = document.activeElement === null || document.activeElement === document.body;
    if (isLost && last instanceof HTMLElement && last.isConnected) last.focus({ preventScroll: true });
  };
}
