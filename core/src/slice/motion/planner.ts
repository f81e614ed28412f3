/** One straight piece of a movement, along which the nozzle would like to keep one speed. */
export interface Segment {
  readonly lengthMm: number;
  readonly speedMmPerS: number;
  readonly accelerationMmPerS2: number;
  /** The direction, as a vector of length 1. */
  readonly direction: readonly [x: number, y: number];
}

/**
 * The time of a movement that begins and ends at rest, in seconds. The nozzle speeds up and slows down no faster than it
 * may, takes each corner as fast as {@link cornerSpeed} lets it, and looks ahead, so that it can always stop in time.
 *
 * Two passes find the speeds at the corners: backwards, so that it can slow down for what comes, and forwards, so that
 * it is no faster than it can have become. `ends`, if given, is filled with the time at the end of each segment.
 */
export function secondsOf(segments: readonly Segment[], deviationMm: number, ends?: Float64Array): number {
  const count = segments.length;
  // The speed at the beginning of each segment, and at the end of the last.
  const speeds = new Float64Array(count + 1);
  for (let i = count - 1; i > 0; i--) {
    const { lengthMm, accelerationMmPerS2 } = segments[i];
    const stoppable = Math.sqrt(speeds[i + 1] ** 2 + 2 * accelerationMmPerS2 * lengthMm);
    speeds[i] = Math.min(cornerSpeed(segments[i - 1], segments[i], deviationMm), stoppable);
  }
  let seconds = 0;
  for (let i = 0; i < count; i++) {
    const { lengthMm, accelerationMmPerS2 } = segments[i];
    const reachable = Math.sqrt(speeds[i] ** 2 + 2 * accelerationMmPerS2 * lengthMm);
    speeds[i + 1] = Math.min(speeds[i + 1], reachable);
    seconds += segmentSeconds(segments[i], speeds[i], speeds[i + 1]);
    if (ends) ends[i] = seconds;
  }
  return seconds;
}

/**
 * How fast a corner may be taken: as fast as the circle that stays within `deviationMm` of the corner, at the
 * acceleration that is allowed (v² = a r). A straight run may be taken at full speed, a turning back is a stop.
 *
 * The radius r = d · sin(θ/2) / (1 − sin(θ/2)), θ being the angle between the segments, follows from the distance of
 * the corner from such a circle, which is r / sin(θ/2) − r.
 */
export function cornerSpeed(before: Segment, after: Segment, deviationMm: number): number {
  const limit = Math.min(before.speedMmPerS, after.speedMmPerS);
  const cosTurn = before.direction[0] * after.direction[0] + before.direction[1] * after.direction[1];
  const sinHalf = Math.sqrt(Math.max(0, (1 + cosTurn) / 2));
  if (sinHalf > 0.9999) return limit;
  const radius = (deviationMm * sinHalf) / (1 - sinHalf);
  const acceleration = Math.min(before.accelerationMmPerS2, after.accelerationMmPerS2);
  return Math.min(limit, Math.sqrt(acceleration * radius));
}

/** The time of one segment from one speed to another: speeding up, an even run if there is room for one, slowing down. */
function segmentSeconds(
  { lengthMm, speedMmPerS, accelerationMmPerS2: a }: Segment,
  fromMmPerS: number,
  toMmPerS: number,
): number {
  if (lengthMm === 0) return 0;
  const peak = Math.min(speedMmPerS, Math.sqrt((2 * a * lengthMm + fromMmPerS ** 2 + toMmPerS ** 2) / 2));
  const evenMm = lengthMm - (2 * peak ** 2 - fromMmPerS ** 2 - toMmPerS ** 2) / (2 * a);
  return (2 * peak - fromMmPerS - toMmPerS) / a + Math.max(0, evenMm) / peak;
}
