import * as z from 'zod';
import type { Pose } from '../mesh/pose.ts';
import type { Axis } from './placement.ts';

/**
 * The side that a flat thing faces: a drawing lies in the plane of that side, is read from there, and is raised
 * towards it. `up` is a drawing on the top of a part, `front` one that stands upright.
 */
export const facing = z.enum(['up', 'down', 'front', 'back', 'left', 'right']);
export type Facing = z.infer<typeof facing>;

/** Whether what faces a side lies: a hole from there has a roof. */
export function facesSideways(side: Facing): boolean {
  return side !== 'up' && side !== 'down';
}

/** The axis across which a side lies, and whether it faces the axis' high end. */
export const normalOf: Record<Facing, { axis: Axis; isHigh: boolean }> = {
  up: { axis: 'z', isHigh: true },
  down: { axis: 'z', isHigh: false },
  front: { axis: 'y', isHigh: false },
  back: { axis: 'y', isHigh: true },
  left: { axis: 'x', isHigh: false },
  right: { axis: 'x', isHigh: true },
};

/** By the cosine: what looks so nearly along an axis faces that side. */
const FACING = 0.9998;

/** The side that a surface with an outward direction faces; undefined for one that leans. */
export function sideFacing(normal: readonly [number, number, number]): Facing | undefined {
  return facing.options.find((side) => {
    const { axis, isHigh } = normalOf[side];
    return normal['xyz'.indexOf(axis)] * (isHigh ? 1 : -1) > FACING;
  });
}

/**
 * How each side's own right, up and outward directions lie in the room, as the columns of a turn. Seen from outside,
 * right is always to the right hand, so that letters are read as they are written.
 */
const turns: Record<Facing, Pose> = {
  up: [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1],
  down: [-1, 0, 0, 0, 0, 1, 0, 0, 0, 0, -1, 0, 0, 0, 0, 1],
  front: [1, 0, 0, 0, 0, 0, 1, 0, 0, -1, 0, 0, 0, 0, 0, 1],
  back: [-1, 0, 0, 0, 0, 0, 1, 0, 0, 1, 0, 0, 0, 0, 0, 1],
  left: [0, -1, 0, 0, 0, 0, 1, 0, -1, 0, 0, 0, 0, 0, 0, 1],
  right: [0, 1, 0, 0, 0, 0, 1, 0, 1, 0, 0, 0, 0, 0, 0, 1],
};

/** The turn that makes something drawn in the x-y plane and raised along z face a side. */
export function facingPose(side: Facing): Pose {
  return turns[side];
}

/** Sizes of what is drawn along axes of its own and faces a side, along the axes of the room. */
export function facedSizes<S extends { readonly axis: 'x' | 'y' }>(sizes: readonly S[], side: Facing) {
  return sizes.map((size) => ({ ...size, axis: facedAxis(side, size.axis) }));
}

/** The axis of the room along which something lies that is drawn along an axis of its own and faces a side. */
export function facedAxis(side: Facing, own: 'x' | 'y'): Axis {
  const column = own === 'x' ? 0 : 4;
  return (['x', 'y', 'z'] as const).find((_, i) => Math.abs(turns[side][column + i]) > 0.5)!;
}
