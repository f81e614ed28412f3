/** What is said in and beside the view of a solid. */
export const solidTexts = {
  view: 'View',
  measure: 'Measure',
  pressTwo: 'Press two places on the part; near a corner, the corner counts.',
  pressOther: 'Press the other place; near a corner, the corner counts.',
  colourBy: 'Colour by',
  thickness: 'Thickness',
  overhang: 'Overhang',
  asPrinted: 'As printed',
  comesOut: (shrinkagePercent: string) =>
    `As drawn → as it comes out, in mm: plastic shrinks by ${shrinkagePercent}% as it cools.`,
  legend: 'Legend',
  measuring: 'measuring …',
  section: 'Section',
  sectionAt: 'Section at',
  unheld: 'Red hatching: nothing under it',
  tooThin: 'Red size: too thin',
  cutHeight: 'Cut height',
  notCut: 'not cut',
  cutAt: (mm: string) => `cut at ${mm} mm`,
  cutHow: 'Drag to cut the part at a height; double-click to close it again',
} as const;
