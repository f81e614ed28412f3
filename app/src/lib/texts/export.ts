/** What the dialog for exporting a part says. */
export const exportTexts = {
  exportPart: 'Export this part',
  format: 'Format',
  detail: 'Detail',
  beingWritten: 'being written …',
  download: 'Download',
  close: 'Close',
} as const;
