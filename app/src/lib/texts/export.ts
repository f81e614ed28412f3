import { locale, said, say } from '@kelbrin/core/words';

/** What the dialog for exporting a part says. */
export const exportTexts = said({
  exportPart: 'Export this part',
  format: 'Format',
  formats: {
    '3mf': '3MF, with the recipe inside',
    stl: 'STL, binary',
    'ascii-stl': 'STL, as text',
    obj: 'OBJ',
    step: 'STEP, with true surfaces',
    'step-all': 'STEP of all parts together',
    'sheet-pdf': 'Drawing sheet, PDF',
    'sheet-svg': 'Drawing sheet, SVG',
    'plan-svg': 'SVG of the plan',
    'section-svg': 'SVG of the section where it is cut',
  },
  detail: 'Detail',
  details: {
    fine: 'fine, as it was built',
    normal: 'normal, within 0.02 mm',
    coarse: 'coarse, within 0.1 mm',
  },
  size: (kilobytes: number, triangles: number | undefined) => {
    const size = say('{kilobytes} kB', {
      kilobytes: kilobytes.toLocaleString(locale(), { maximumFractionDigits: 1 }),
    });
    return triangles === undefined
      ? size
      : say('{triangles} triangles, {size}', {
          triangles: triangles.toLocaleString(locale()),
          size,
        });
  },
  leftOut: (parts: readonly string[]) =>
    say('Left out, since it cannot be built as it is: {parts}.', { parts: parts.join(', ') }),
  sheet: 'The sheet',
  paper: 'Paper',
  papers: { a4: 'A4, for a folder', a3: 'A3, for the wall' },
  scale: 'Scale',
  scaleFits: 'as large as fits',
  views: 'Views',
  projections: {
    first: 'first angle: from the left',
    third: 'third angle: from the right',
  },
  section: 'Section',
  sections: {
    most: 'where most is seen',
    front: 'seen from the front',
    side: 'seen from the side',
    none: 'none',
  },
  pictureOfSheet: 'How the sheet looks',
  noLetters: 'The letters for the sheet cannot be fetched without a network. Try again when you are online.',
  noPdf: 'What writes PDF cannot be fetched without a network. Choose SVG, or try again when you are online.',
  notClosed: 'This part cannot be written like that: its surface is not closed. Choose STL or OBJ.',
  cannotBeBuilt: 'The part cannot be built as it is. Mend the step that says why, then export it.',
  beingWritten: 'being written …',
  download: 'Download',
  close: 'Close',
} as const);
