import { beforeNavigate } from '$app/navigation';

/** Has a page that is being left ask first, in these words, while what is written on it is not saved. */
export function askBeforeLeaving(isKept: () => boolean, words: string): void {
  beforeNavigate(({ cancel, willUnload }) => {
    if (isKept()) return;
    if (willUnload || !confirm(words)) cancel();
  });
}
