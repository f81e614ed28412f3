/** What the dialog for exporting a part says. */
export const exportTexts = {
  exportPart: 'Export this part',
  format: 'Format',
  formats: {
    '3mf': '3MF, with the recipe inside',
    stl: 'STL, binary',
    'ascii-stl': 'STL, as text',
    obj: 'OBJ',
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
    const size = `${kilobytes.toLocaleString('en-GB', { maximumFractionDigits: 1 })} kB`;
    return triangles === undefined ? size : `${triangles.toLocaleString('en-GB')} triangles, ${size}`;
  },
  beingWritten: 'being written …',
  download: 'Download',
  close: 'Close',
} as const;
