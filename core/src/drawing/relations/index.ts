import type { Unknowns } from '../figure.ts';
import { aligned, type Aligned } from './aligned.ts';
import { angle, type Angle } from './angle.ts';
import { apart, type Apart } from './apart.ts';
import { directed, slanted, type Directed, type Slanted } from './directed.ts';
import { equal, type Equal } from './equal.ts';
import {
  beside,
  held,
  inMiddle,
  onAxis,
  type Beside,
  type Held,
  type InMiddle,
  type OnAxis,
} from './placed.ts';
import { radius, sameCentre, type Radius, type SameCentre } from './radius.ts';
import type { Binding, Bound } from './relation.ts';
import { symmetric, type Symmetric } from './symmetric.ts';
import { touching, type Touching } from './touching.ts';

/** What has to hold between the points and edges of a figure; they are named by their index. */
export type Relation =
  | Apart
  | Aligned
  | Directed
  | Slanted
  | Angle
  | Equal
  | Radius
  | SameCentre
  | Touching
  | Symmetric
  | Held
  | OnAxis
  | InMiddle
  | Beside;

const bindings: Readonly<Record<Relation['kind'], Binding<never>>> = {
  apart,
  level: aligned,
  upright: aligned,
  parallel: directed,
  square: directed,
  slant: slanted,
  angle,
  equal,
  radius,
  sameCentre,
  touching,
  symmetric,
  held,
  onAxis,
  inMiddle,
  beside,
};

/** A relation made ready to be measured, on the side where the figure was drawn. */
export function bound(relation: Relation, drawn: Unknowns): Bound {
  // That a relation belongs to the binding of its kind is more than the compiler can follow.
  const binding = bindings[relation.kind] as Binding<Relation>;
  return binding(relation, drawn);
}

export type { Bound } from './relation.ts';
