import { beforeAll, describe, expect, it } from 'vitest';
import { block, square } from '../../../test/block.ts';
import { recipeWith } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { on } from '../../starters/places.ts';
import { evaluate, type Workshop } from '../../solid/index.ts';
import { createStep, type Step } from '../index.ts';

/* What cannot be built is said at the field that has to change, so that a screen can lead there. */

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

function problemOf(...steps: Step[]) {
  const result = evaluate(recipeWith(steps), workshop);
  if (result.ok) throw new Error('It can be built.');
  return result.problem;
}
/** A step of a kind that stands on the block, with some of its fields put to other values. */
const onBlock = (kind: Step['kind'], fields: object): Step => ({ ...createStep(kind, 's2', 's1'), ...fields }) as Step; // oxfmt-ignore
const profile = (nodes: [number, number][], closed = true) => ({
  profile: { shape: 'points', nodes: nodes.map(([xMm, yMm]) => ({ xMm, yMm })), closed, smooth: false, mirrored: false }, // oxfmt-ignore
});
const hole = (mm: number, rim: object, depthMm = 4): Step =>
  onBlock('hole', { size: { by: 'diameter', mm }, depth: { type: 'blind', mm: depthMm }, rim, placement: on('s1') }); // oxfmt-ignore
const thin = { outline: square(4), depth: { type: 'by', mm: 20 } };

describe.each<[string, Step, (string | number)[]]>([
  ['an outline', onBlock('extrude', { outline: { shape: 'ring', outerMm: 4, innerMm: 9 } }), ['outline', 'innerMm']], // oxfmt-ignore
  ['a taper that closes', onBlock('extrude', { ...thin, taperDeg: 20 }), ['taperDeg']],
  ['a finish of the top', onBlock('extrude', { ...thin, top: { finish: 'chamfer', mm: 3 } }), ['top', 'mm']],
  ['a finish of the bottom', onBlock('extrude', { ...thin, bottom: { finish: 'round', mm: 3 } }), ['bottom', 'mm']], // oxfmt-ignore
  ['a rounding', onBlock('extrude', { ...thin, corners: [{ which: 'outer', finish: 'round', mm: 3 }] }), ['corners', 0, 'mm']], // oxfmt-ignore
  ['a rim that is no wider', hole(6, { type: 'countersink', acrossMm: 5 }), ['rim', 'acrossMm']],
  ['a chamfer deeper than its hole', hole(3, { type: 'chamfer', mm: 6 }), ['rim', 'mm']],
  ['a countersink deeper than its hole', hole(3, { type: 'countersink', acrossMm: 20 }), ['rim', 'acrossMm']],
  ['a counterbore deeper than its hole', hole(3, { type: 'counterbore', acrossMm: 8, deepMm: 6 }), ['rim', 'deepMm']], // oxfmt-ignore
  ['a ring of too thick a rod', onBlock('solid', { solid: { type: 'ring', outerMm: 10, rodMm: 6 } }), ['solid', 'rodMm']], // oxfmt-ignore
  ['a profile across its axis', onBlock('revolve', profile([[-2, 0], [5, 0], [5, 5]])), ['profile', 'nodes']], // oxfmt-ignore
  ['a profile along its axis', onBlock('revolve', profile([[0, 0], [0, 5], [0, 9]])), ['profile', 'nodes']], // oxfmt-ignore
  ['a profile that is open', onBlock('revolve', profile([[0, 0], [5, 0], [5, 5]], false)), ['profile', 'nodes']], // oxfmt-ignore
  ['letters that are none', onBlock('letters', { lettering: { words: ' ', font: 'sturdy', size: { by: 'height', mm: 8 } } }), ['lettering', 'words']], // oxfmt-ignore
  ['letters without room', onBlock('letters', { lettering: { words: 'Room', font: 'sturdy', size: { by: 'height', mm: 60 } }, free: { marginMm: 1 } }), ['free', 'marginMm']], // oxfmt-ignore
  ['nothing to repeat', onBlock('repeat', { of: [] }), ['of']],
  ['too many copies', onBlock('repeat', { of: [{ step: 's1' }], pattern: { type: 'grid', columns: 100, columnMm: 50, rows: 100, rowMm: 50 } }), ['pattern']], // oxfmt-ignore
  ['a face without a direction', onBlock('setDown', { face: { normal: [0, 0, 0] } }), ['face']],
  ['a file that was not chosen', onBlock('import', { asset: '' }), ['asset']],
])('%s', (_, step, path) => {
  it('is refused at its own field', () => {
    expect(problemOf(block, step)).toMatchObject({ stepId: 's2', path });
  });
});

it.each<[Step['kind'], (string | number)[]]>([
  ['extrude', ['effect']],
  ['solid', ['effect']],
  ['revolve', ['effect']],
  ['letters', ['effect']],
])('a cut before there is material is refused at what %s does', (kind, path) => {
  const step = { ...createStep(kind, 's1', undefined), effect: kind === 'letters' ? 'sunk' : 'cut' } as Step;
  expect(problemOf(step)).toMatchObject({ stepId: 's1', path });
});
