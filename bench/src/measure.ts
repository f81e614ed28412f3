/** A figure as `./run bench --json` prints it, a line each. */
export interface Figure {
  readonly name: string;
  readonly unit: 'ms';
  readonly median: number;
  readonly p95: number;
  readonly n: number;
  /** The median over that of the reference, measured in turns with it in the same run. */
  readonly ratio: number;
  /** What the reference does. */
  readonly reference: string;
}

export interface Contest {
  readonly name: string;
  readonly reference: string;
  readonly n: number;
  /** Whether it takes so long that it is made once, and left out of a short run. */
  readonly isLong?: true;
  /** What is measured. */
  run(): void;
  /** A plain way to do the core of it. */
  runReference(): void;
}

/**
 * Measures a contest. Both sides take turns, so that whatever else the machine is doing falls on both, and the first
 * turns are thrown away, since they pay for compiling.
 */
export function measure({ name, reference, n, isLong, run, runReference }: Contest): Figure {
  const times: number[] = [];
  const referenceTimes: number[] = [];
  const warmUp = isLong ? 0 : Math.max(2, Math.ceil(n / 10));
  for (let i = -warmUp; i < n; i++) {
    const own = timed(run);
    const other = timed(runReference);
    if (i < 0) continue;
    times.push(own);
    referenceTimes.push(other);
  }
  const median = quantile(times, 0.5);
  return {
    name,
    unit: 'ms',
    median: rounded(median),
    p95: rounded(quantile(times, 0.95)),
    n,
    ratio: rounded(median / quantile(referenceTimes, 0.5)),
    reference,
  };
}

function timed(work: () => void): number {
  const begun = performance.now();
  work();
  return performance.now() - begun;
}

/** The value below which a share of the values lies. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
}

function rounded(value: number): number {
  return Math.round(value * 100) / 100;
}
