/** What can go wrong with a printer. The first four stop the file where it is, until somebody has put it right. */
export const faultKinds = [
  'runout',
  'clog',
  'door',
  'filament',
  'heater',
  'power',
  'network',
  'slow',
] as const;
export type FaultKind = (typeof faultKinds)[number];

/** Why a file stands still; `user` is somebody's wish, `filament` a change of colour that the file asks for. */
export type PauseReason = 'user' | Extract<FaultKind, 'runout' | 'clog' | 'door' | 'filament'>;

/** Faults that strike by themselves, each at a share of a file; the same seed strikes the same. */
export function* faultsOf(seed: number): Generator<{ kind: FaultKind; atShare: number }> {
  let state = seed >>> 0;
  const next = () => {
    // Numerical Recipes' linear congruential generator.
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
  // Seeds beside each other begin alike, and part after a few turns.
  for (let turn = 0; turn < 3; turn++) next();
  for (;;) {
    const kind = faultKinds[Math.floor(next() * faultKinds.length)];
    yield { kind, atShare: 0.1 + 0.8 * next() };
  }
}
