import { applyAction, enhance as enhanceForm } from '$app/forms';
import { reloadAll } from '../live/reload';
import type { SubmitFunction } from '@sveltejs/kit';
import { actionRefusal } from './actionRefusal';
import { formRefusal } from './formRefusal.svelte';

type Answer = Parameters<Exclude<Awaited<ReturnType<SubmitFunction>>, void>>[0];

/**
 * Sends a form without leaving the page, and leaves the focus where it is. Of forms that stand beside each other,
 * somebody may be typing in the next one while the last one is answered; the framework's own way would take the focus
 * away, and what is typed with it. A form that does not arrive, is sent by somebody whose sign-in has ended, or meets a fault of
 * the server's is refused like any other, and stays with what is typed in it; the framework would show a page of the error, or
 * nothing.
 */
export function enhance(form: HTMLFormElement, submit: SubmitFunction = takeAnswer): { destroy(): void } {
  return enhanceForm(form, async (input) => {
    const take = (await submit(input)) ?? (await takeAnswer(input));
    return (
      take &&
      ((answer) => {
        const heard = orRefused(answer);
        return take({ ...heard, update: leavingFocus(heard) });
      })
    );
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

/** The same, unless something else has to be done first, which `isHeld` says where it stands. */
export function unless(isHeld: () => Promise<boolean>): SubmitFunction {
  return async (input) => ((await isHeld()) ? input.cancel() : takeAnswer(input));
}

const takeAnswer: SubmitFunction = ({ formElement }) => {
  return async ({ result, update }) => {
    if (result.type !== 'success') return update();
    await update({ reset: false });
    // Last, so that the fields go on from what is kept now and not, for a moment, from what was kept before.
    formElement.reset();
  };
};

/** The answer to a form; where its page has none, one that refuses it, which is said over the page. */
function orRefused(answer: Answer): Answer {
  formRefusal.words = actionRefusal(answer.result);
  if (formRefusal.words === undefined) return answer;
  const refusal = { type: 'failure', status: 503, data: { message: formRefusal.words } } as const;
  return { ...answer, result: refusal, update: async () => {} };
}

/**
 * The framework's way to show an answer, but for the focus, which it would take away: a field that loses it, though only
 * for a moment, takes what stands in it for whole, and `123.` for 123.
 */
function leavingFocus({ action, formElement, result, update }: Answer): Answer['update'] {
  return async (options) => {
    if (result.type !== 'success') return update(options);
    if (options?.reset !== false) formElement.reset();
    if (options?.invalidateAll !== false) await reloadAll();
    const isOfThisPage = location.origin + location.pathname === action.origin + action.pathname;
    // What is shown of a failure and of a success is the same; the focus is taken after a success alone.
    if (isOfThisPage) await applyAction({ ...result, type: 'failure' });
  };
}
