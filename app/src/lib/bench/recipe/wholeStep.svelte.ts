import { tick } from 'svelte';

/**
 * The step whose whole sentence is shown: the one that is marked, once nothing is pressed any more, so that no field moves
 * away under a finger. The marked step stays where it is on the screen while sentences above it grow and shrink.
 */
export function wholeStep(marked: () => string | undefined): { readonly stepId: string | undefined } {
  let stepId = $state(marked());
  let isPressed = $state(false);

  $effect(() => {
    const press = () => (isPressed = true);
    // The click that follows is to find what was pressed.
    const release = () => setTimeout(() => (isPressed = false));
    addEventListener('pointerdown', press, true);
    addEventListener('pointerup', release, true);
    addEventListener('pointercancel', release, true);
    return () => {
      removeEventListener('pointerdown', press, true);
      removeEventListener('pointerup', release, true);
      removeEventListener('pointercancel', release, true);
    };
  });
  $effect(() => {
    const next = marked();
    if (isPressed || next === stepId) return;
    const row = next === undefined ? null : document.querySelector(`[data-step="${CSS.escape(next)}"]`);
    const list = row?.closest('[data-recipe]');
    const before = row?.getBoundingClientRect().top;
    stepId = next;
    if (!row || !list || before === undefined) return;
    // What is not in sight has no place to keep; what was just added is scrolled to by who added it.
    const { top, bottom } = list.getBoundingClientRect();
    if (before < top || before > bottom) return;
    void tick().then(() => (list.scrollTop += row.getBoundingClientRect().top - before));
  });
  return {
    get stepId() {
      return stepId;
    },
  };
}
