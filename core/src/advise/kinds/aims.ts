import type { CheckId, LimitsCard } from '../../inspect/index.ts';
import type { Token } from '../../recipe/index.ts';
import type { Failing } from '../failingFindings.ts';

/** A little more than needed, so that what is mended does not only just pass. */
const MARGIN = 1.06;
/** Lengths to try where a figure says nothing of how far to go, as for a piece that lies apart, mm. */
const STEPS_MM = [0.5, 1, 2, 4, 8];
/** What is a multiple of something else is aimed at by these powers of what is missing: a length, an area. */
const POWERS = [0.5, 1];

/** What is known of a finding beyond its words. */
export interface Place {
  /** By how much something may have to become shorter or longer, or be moved, mm. */
  readonly missingMm: readonly number[];
  /** Whether the number is one of what the place stands on, which has to grow where the place itself would shrink. */
  readonly isOfHost: boolean;
}

/** Values to try for a number, in the direction and by the amount that a finding asks for, or the other way. */
export function aimsFor(
  token: Extract<Token, { type: 'number' }>,
  value: number,
  { check, finding }: Failing,
  limits: LimitsCard,
  { missingMm, isOfHost }: Place,
): number[] {
  const { unit, path } = token;
  // What is turned part of the way round leaves a body open.
  if (path[0] === 'deg') return [360];
  const { measured, unit: measuredIn } = finding;
  const isOwn = measuredIn === check.unit && finding.limit === undefined;
  const limit = finding.limit ?? (isOwn ? check.limit : limits.minWallMm);
  // A brief is met by what it asks, to the letter.
  const spare = (check.id as CheckId) === 'brief' ? 1 : MARGIN;
  const aim = measured < limit ? limit * spare : limit / spare;
  if (measuredIn === '°' && unit === '°')
    return [aim, -aim, value + aim - measured, value - aim + measured].map(Math.trunc);
  if (unit !== 'mm') return [];
  if (measuredIn === '°') return changedBy(token, value, missingMm, isOfHost);
  const isApart =
    (check.id === 'bodies' && measuredIn === 'mm²') ||
    ((check.id === 'brief' || check.id === 'relief') && measuredIn === '');
  const isLoose = check.id === 'bodies' || check.id === 'island';
  if (isLoose && missingMm.length > 0) return changedBy(token, value, missingMm, isOfHost);
  if (isApart)
    return STEPS_MM.flatMap((mm) => (isOfHost ? [value + mm] : [value + mm, value - mm])).map(tenth);
  if (check.id === 'island') return [value - measured, value + measured].map(tenth);
  if (measuredIn === 'mm') {
    const need = Math.abs(aim - measured);
    const isLettering = path.at(-2) === 'size' && path.includes('lettering');
    // All of a letter grows with its height.
    const grown = isLettering && measured > 0 ? [upTo(value, (value * aim) / measured - value)] : [];
    return [...grown, ...[need, 2 * need, 4 * need].flatMap((by) => [upTo(value, by), upTo(value, -by)])];
  }
  const factor = measured > 0 ? Math.max(aim / measured, measured / aim) : 2;
  return POWERS.map((power) => factor ** power).flatMap((by) => [
    upTo(value, value * by - value),
    upTo(value, value / by - value),
  ]);
}

/** Whether a number says where something is, and not how large. */
export function isPlaceOf({ path }: Extract<Token, { type: 'number' }>): boolean {
  return (
    path[0] === 'placement' || path[0] === 'pattern' || path.at(-1) === 'spacingMm' || path[0] === 'atMm'
  );
}

/** Values that are another by so many millimetres: shorter, or longer where it is what the rest stands on, or moved. */
function changedBy(
  token: Extract<Token, { type: 'number' }>,
  value: number,
  missing: readonly number[],
  isOfHost: boolean,
): number[] {
  return missing.flatMap((mm) => {
    if (isPlaceOf(token)) return [upTo(value, mm), upTo(value, -mm)];
    return [upTo(value, isOfHost ? mm : -mm)];
  });
}

/** A value changed by at least so much, to a tenth. */
function upTo(value: number, by: number): number {
  return by > 0 ? Math.ceil(10 * (value + by) - 1e-6) / 10 : Math.floor(10 * (value + by) + 1e-6) / 10;
}

const tenth = (value: number) => Math.round(10 * value) / 10;
