/** A press that moves further than this turns the view and picks nothing. */
const CLICK_PX = 5;
/** How long a pointer rests before it is said what it points at, ms. */
const REST_MS = 120;

/** What is heard of a pointer on a view. */
export interface Heard {
  /** It was pressed and let go where it was. */
  pressed(event: PointerEvent): void;
  /** It rests on the view, and is not pressed; a finger never does. */
  rests(event: PointerEvent): void;
  /** It rests no more. */
  leaves(): void;
}

/** Hears of presses on an element, and of a pointer that rests on it, until the function that it returns is called. */
export function hearPresses(element: HTMLElement, hear: Heard): () => void {
  const over = new AbortController();
  const on = (
    type: 'pointerdown' | 'pointerup' | 'pointermove' | 'pointerleave',
    act: (e: PointerEvent) => void,
  ) => element.addEventListener(type, act, { signal: over.signal });
  let pressedAt: { readonly x: number; readonly y: number } | undefined;
  let resting: ReturnType<typeof setTimeout> | undefined;
  const stirred = () => {
    clearTimeout(resting);
    hear.leaves();
  };
  on('pointerdown', ({ clientX, clientY }) => {
    stirred();
    pressedAt = { x: clientX, y: clientY };
  });
  on('pointerup', (event) => {
    const { x, y } = pressedAt ?? { x: Infinity, y: Infinity };
    pressedAt = undefined;
    if (Math.hypot(event.clientX - x, event.clientY - y) < CLICK_PX) hear.pressed(event);
  });
  on('pointermove', (event) => {
    stirred();
    if (event.buttons === 0 && event.pointerType !== 'touch')
      resting = setTimeout(() => hear.rests(event), REST_MS);
  });
  on('pointerleave', stirred);
  return () => {
    clearTimeout(resting);
    over.abort();
  };
}
