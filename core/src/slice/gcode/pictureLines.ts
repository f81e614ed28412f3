/** So many characters of a picture stand on a line, which every printer reads. */
const LINE = 76;

/**
 * A PNG as comments at the head of a file, for printers that show what a file holds: a line that says what comes, its bytes
 * in base64 (RFC 4648), and a line at its end.
 */
export function pictureLines(png: Uint8Array): string[] {
  const bytes = Array.from(png, (byte) => String.fromCharCode(byte)).join('');
  const lines = btoa(bytes).match(new RegExp(`.{1,${LINE}}`, 'g')) ?? [];
  return [
    `; picture image/png, base64, ${lines.length} lines`,
    ...lines.map((line) => `; ${line}`),
    '; end of picture',
  ];
}
