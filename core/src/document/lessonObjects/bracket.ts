import { by, on, recipeOf, share, at, centredAlong, fromLeft, fromFront } from '../../starters/places.ts';
import type { Amount, Step } from '../../recipe/index.ts';
import type { LessonObject } from './lessonObject.ts';

const drawn = (...nodes: [Amount, Amount][]) => ({
  shape: 'points' as const,
  nodes: nodes.map(([xMm, yMm]) => ({ xMm, yMm })),
  closed: true,
  smooth: false,
  mirrored: false,
});
const [leg, thick, inside] = [by('leg'), by('thick'), by('thick - 0.5')];

const hole = (id: string, percent: number): Step => ({
  id,
  kind: 'hole',
  name: `screw hole ${id.slice(1)}`,
  size: { by: 'screw', screw: 'M4', play: 'normal' },
  depth: { type: 'through' },
  rim: { type: 'chamfer', mm: 0.4 },
  roof: 'sloping',
  facing: 'front',
  placement: on('s1', { x: share(percent), y: fromFront(0), z: centredAlong }),
});

export const bracket: LessonObject = {
  title: 'A bracket for the potting bench',
  purpose: 'It holds a shelf to the wall of the greenhouse with four screws.',
  recipe: recipeOf(
    [
      {
        id: 's1',
        kind: 'extrude',
        name: 'legs',
        effect: 'add',
        outline: drawn([0, 0], [leg, 0], [leg, thick], [thick, thick], [thick, leg], [0, leg]),
        corners: [
          { which: 'outer', finish: 'round', mm: 6 },
          { which: 'inner', finish: 'round', mm: 3 },
        ],
        facing: 'up',
        depth: { type: 'by', mm: 24 },
        top: { finish: 'chamfer', mm: 0.6 },
        bottom: { finish: 'chamfer', mm: 0.6 },
        placement: {
          on: { plate: true },
          x: centredAlong,
          y: centredAlong,
          z: at(0, 'low'),
        },
      },
      {
        id: 's2',
        kind: 'extrude',
        name: 'gusset',
        effect: 'add',
        outline: drawn([0, 0], [20, 0], [0, 20]),
        facing: 'up',
        depth: { type: 'by', mm: 6 },
        placement: on('s1', { x: fromLeft(inside), y: fromFront(inside), z: at(0, 'low') }),
      },
      hole('s3', 50),
      hole('s4', 82),
      {
        id: 's5',
        kind: 'repeat',
        name: 'holes of the other leg',
        of: { since: { step: 's3' } },
        pattern: { type: 'around', axis: 'z', count: 2, deg: 90, about: { step: 's1' } },
      },
    ],
    [
      { name: 'leg', value: 60 },
      { name: 'thick', value: 12.5 },
    ],
  ),
  teaches: [
    'One number drives two equal legs: change `leg`, and both follow.',
    'Outer and inner corners are two phrases of one sentence.',
    'A hole that lies has a sloping roof, so that nothing hangs.',
    'What was made for one leg is repeated around for the other.',
  ],
};
