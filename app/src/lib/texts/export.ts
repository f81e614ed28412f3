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
    'plan-svg': 'SVG of the plan',
    'section-svg': 'SVG of the section at the ruler’s cut',
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
  beingWritten: 'being written …',
  download: 'Download',
  close: 'Close',
} as const);
