import type { Amount } from '../amount.ts';
import { axisIndex, type Along, type Axis } from '../placement.ts';
import type { FieldPath } from '../sentence.ts';
import { rounded } from './movedAlong.ts';
import { said } from '../../words/index.ts';

/** A change of one field. */
export interface FieldChange {
  readonly path: FieldPath;
  readonly value: unknown;
}

/** An end of something along an axis. */
export type End = 'low' | 'high';

/** How long something is along an axis of the room, and what drags that. */
export interface Sizing {
  readonly label: string;
  readonly path: FieldPath;
  readonly axis: Axis;
  /** Where it begins and ends along the axis, mm. */
  readonly low: number;
  readonly high: number;
  /** The ends that are dragged: those that its place does not hold. */
  readonly ends: readonly End[];
  /** What the sentence says once an end is dragged to a place along the axis, mm. */
  dragged(end: End, toMm: number): FieldChange[];
  /** What it says once it is to be so long: what was typed, and what that comes to, mm. */
  typed(length: Amount, worthMm: number): FieldChange[];
}

/** A box in the room, or what is seen of one from above. */
export interface Extent {
  readonly min: readonly number[];
  readonly max: readonly number[];
}

/** Lengths that differ by less are one, mm: facets of what is round lie a little inside. */
const SAME_MM = 0.01;
/** Nothing that is drawn is smaller, mm. */
const LEAST_MM = 0.1;

const LABELS: Readonly<Record<Axis, string>> = said({
  x: 'Size left to right',
  y: 'Size front to back',
  z: 'Size from below to above',
});

/**
 * The sizing of what lies in a box and holds one of its ends there, or its middle. The field grows with the length: twice as
 * long is twice its value, as for the height of letters and the length of their word.
 */
export function sizing(
  path: FieldPath,
  axis: Axis,
  value: number,
  { min, max }: Extent,
  holds: End | 'middle',
): Sizing {
  const [low, high] = [min[axisIndex[axis]], max[axisIndex[axis]]];
  const isItself = Math.abs(value - (high - low)) < SAME_MM;
  const at = (lengthMm: number) => (value * lengthMm) / (high - low);
  const lengthTo = (end: End, toMm: number) => {
    if (holds === 'middle') return high - low + 2 * (end === 'high' ? toMm - high : low - toMm);
    return end === 'high' ? toMm - low : high - toMm;
  };
  return {
    label: LABELS[axis],
    path,
    axis,
    low,
    high,
    // What is centred grows to both sides.
    ends: holds === 'middle' ? ['high', 'low'] : [holds === 'low' ? 'high' : 'low'],
    dragged: (end, toMm) => [{ path, value: Math.max(LEAST_MM, rounded(at(lengthTo(end, toMm)))) }],
    // A formula says what the length is, and not the number that grows with it.
    typed: (length, worthMm) => [{ path, value: isItself ? length : Math.round(at(worthMm) * 1000) / 1000 }],
  };
}

/** The end of a thing that its placement holds. */
export function heldBy(rule: Along | undefined): End | 'middle' {
  if (rule?.relation === 'inFrom') return rule.edge;
  if (rule?.relation === 'beside') return rule.edge === 'low' ? 'high' : 'low';
  return rule?.relation === 'at' ? rule.own : 'middle';
}
