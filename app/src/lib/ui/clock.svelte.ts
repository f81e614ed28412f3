/** How often what is said in minutes is said anew. */
const ROUND_MS = 15_000;

/** The time now in milliseconds, told anew every quarter of a minute for as long as the calling component is shown. */
export function clock(): { readonly nowMs: number } {
  let nowMs = $state(Date.now());
  $effect(() => {
    const round = setInterval(() => (nowMs = Date.now()), ROUND_MS);
    return () => clearInterval(round);
  });
  return {
    get nowMs() {
      return nowMs;
    },
  };
}
