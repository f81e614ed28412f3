/** Gives back what the graphics card holds when its successor is drawn, and at the end. */
export function disposing(held: () => readonly ({ dispose(): void } | undefined)[]): void {
  $effect(() => {
    const all = held();
    return () => all.forEach((each) => each?.dispose());
  });
}
