/** Names by which drivers say that the processor draws, for want of a graphics card. */
const SOFTWARE = /swiftshader|llvmpipe|software|basic render/i;

/** How long the picture must be still before it is drawn finely, ms. */
const STILL_MS = 250;

/** Whether this machine draws solids without a graphics card, as many a classroom's does. */
export function drawsInSoftware(): boolean {
  const context = document.createElement('canvas').getContext('webgl2');
  const names = context?.getExtension('WEBGL_debug_renderer_info');
  const name = names ? String(context?.getParameter(names.UNMASKED_RENDERER_WEBGL)) : '';
  context?.getExtension('WEBGL_lose_context')?.loseContext();
  return SOFTWARE.test(name);
}

/**
 * Draws at the screen's own pixels while something moves, at a quarter of them while somebody drags, and at four times as many
 * when all is still: smooth edges without holding up what is dragged. `set` takes the pixels drawn for each pixel of the page.
 */
export class Fineness {
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #set: (pixelRatio: number) => void;
  readonly #isHeld: () => boolean;

  /** @param isHeld whether somebody holds something that may change the picture at any moment */
  constructor(set: (pixelRatio: number) => void, isHeld: () => boolean) {
    this.#set = set;
    this.#isHeld = isHeld;
  }

  /** Notes that the picture is another one. A small one, beside something that is dragged, stays coarse. */
  stirred(isSmall: boolean): void {
    clearTimeout(this.#timer);
    this.#set((this.#isHeld() && !isSmall ? 0.5 : 1) * devicePixelRatio);
    if (!isSmall) this.#refineLater();
  }

  close(): void {
    clearTimeout(this.#timer);
  }

  #refineLater(): void {
    this.#timer = setTimeout(() => {
      if (this.#isHeld()) this.#refineLater();
      else this.#set(2 * devicePixelRatio);
    }, STILL_MS);
  }
}
