import { PerspectiveCamera } from 'three';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { spaceHandlesOf, plateBox, type FieldChange, type Step } from '@kelbrin/core/recipe';
import { stepOf } from '../../../../../core/test/evaluated';
import { Outlook } from '../../ui/solidView/outlook';
import { Dragging } from './dragging.svelte';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

const box = { min: [-42, -14, 0], max: [42, 14, 2.6] } as const;
const plate = stepOf('extrude', 's1', undefined) as Step;

/** A plate of 84 × 28 seen from a corner, and what a hand that drags it changes. */
function atHand() {
  const camera = new PerspectiveCamera(32, 1.5, 1, 4000);
  camera.up.set(0, 0, 1);
  camera.position.set(90, -170, 140);
  camera.lookAt(0, 0, 1);
  camera.updateMatrixWorld();
  const outlook = Outlook.of(camera, 900, 600);
  const told: { changes: readonly FieldChange[]; gesture: number }[] = [];
  const [size] = spaceHandlesOf(plate, box, plateBox).sizes;
  const end = { size, end: 'high', at: [42, -14, 2.6] } as const;
  const dragging = new Dragging();
  const hand = {
    box,
    outlook,
    lines: () => [{ at: 50, of: 'right side of step 2' }],
    change: (changes: readonly FieldChange[], gesture: number) => void told.push({ changes, gesture }),
    isBehind: () => false,
  };
  const begin = () => dragging.begin(end, hand, outlook.pxOf([42, -14, 2.6])!);
  const to = (mm: number, isFree = false) => {
    dragging.move(outlook.pxOf([mm, -14, 2.6])!, isFree);
    vi.runAllTimers();
  };
  const width = () => told.at(-1)?.changes[0].value;
  return { dragging, begin, to, told, width };
}

it('a size follows the pointer in the room, as one gesture, to both sides of what is centred', () => {
  const { begin, to, told, width } = atHand();
  begin();
  to(45);
  expect(width()).toBe(90);
  to(47);
  expect(width()).toBe(94);
  expect(new Set(told.map(({ gesture }) => gesture)).size).toBe(1);
});

it('is caught by what else is there, and says by what, unless that is held off', () => {
  const { dragging, begin, to, width } = atHand();
  begin();
  to(49.6);
  expect(width()).toBe(100);
  expect(dragging.caught.map(({ of }) => of)).toEqual(['right side of step 2']);
  to(49.6, true);
  expect(width()).toBe(99.2);
  expect(dragging.caught).toEqual([]);
});

it('tells when it is let go whether it has changed anything', () => {
  const { dragging, begin, to } = atHand();
  begin();
  expect(dragging.end()).toBe(false);
  begin();
  to(46);
  expect(dragging.end()).toBe(true);
  expect(dragging.held).toBeUndefined();
});
