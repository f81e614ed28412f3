import { said, say } from '@kelbrin/core/words';

/** What is said in and beside the view of a solid. */
export const solidTexts = said({
  view: 'View',
  views: { Top: 'Top', Front: 'Front', Side: 'Side', Corner: 'Corner' },
  fit: 'See all of it from here',
  lastView: 'As it was looked at before',
  parallel: 'Without perspective: what is parallel looks parallel',
  measure: 'Measure',
  pressTwo: 'Press two places on the part; near a corner, the corner counts.',
  pressOther: 'Press the other place; near a corner, the corner counts.',
  thickHere: (mm: string) => say('The part is {mm} thick here.', { mm }),
  colourBy: 'Colour by',
  thickness: 'Thickness',
  overhang: 'Overhang',
  asPrinted: 'As printed',
  alone: 'Only the marked step',
  comesOut: (shrinkagePercent: string) =>
    say('As drawn → as it comes out, in mm: plastic shrinks by {shrinkagePercent}% as it cools.', {
      shrinkagePercent,
    }),
  legend: 'Legend',
  facesMeet: (degrees: string) => say('the faces meet at {degrees}°', { degrees }),
  facesApart: (mm: string) => say('the faces are {mm} apart', { mm }),
  onePlane: 'both are in one plane',
  along: (x: string, y: string, z: string) => say('{x} across, {y} deep, {z} up', { x, y, z }),
  measuring: 'measuring …',
  section: 'Section',
  sectionAt: 'Section at',
  unheld: 'Red hatching: nothing under it',
  tooThin: 'Red size: too thin',
  cutHeight: 'Cut height',
  notCut: 'not cut',
  cutAt: (mm: string) => say('cut at {mm} mm', { mm }),
  cutHow: 'Drag to cut the part at a height; double-click to close it again',
} as const);
