import { say } from '../words/index.ts';
import { Ink, type Scribe } from './ink.ts';
import type { SheetNotes } from './titleBlock.ts';

const CAP_MM = 2;
const LINE_MM = 3.7;
const HEADING_MM = 2.5;

/** The recipe's sentences and named measures, so wide; its upper left corner is the origin. */
export function notesBlock(scribe: Scribe, { sentences, measures }: SheetNotes, widthMm: number): Ink {
  const ink = new Ink(scribe);
  let y = -HEADING_MM;
  const heading = (words: string) => {
    ink.text(words, [0, y], { capMm: HEADING_MM });
    y -= LINE_MM + 0.8;
  };
  const lines = (words: string, indent: number) => {
    for (const line of wrapped(ink, words, widthMm - indent)) {
      ink.text(line, [indent, y], { capMm: CAP_MM });
      y -= LINE_MM;
    }
  };
  if (measures.length > 0) {
    heading(say('Measures'));
    measures.forEach((each) => lines(each, 0));
    y -= 1.5;
  }
  if (sentences.length > 0) {
    heading(say('How it is made'));
    sentences.forEach((sentence, i) => {
      ink.text(`${i + 1}.`, [4.5, y], { capMm: CAP_MM, align: 'right' });
      lines(sentence, 6);
    });
  }
  return ink;
}

/** Words in lines that are no wider than a width, broken between words. */
function wrapped(ink: Ink, words: string, widthMm: number): string[] {
  // Each word is measured by itself, and only once however wide the lines are.
  const wide = (word: string) => ink.widthOf(word, CAP_MM);
  const blankMm = wide('n n') - 2 * wide('n');
  const lines: string[][] = [];
  let lineMm = Infinity;
  for (const word of words.split(/\s+/)) {
    const wordMm = wide(word);
    if (lineMm + blankMm + wordMm > widthMm) {
      lines.push([word]);
      lineMm = wordMm;
    } else {
      lines[lines.length - 1].push(word);
      lineMm += blankMm + wordMm;
    }
  }
  return lines.map((line) => line.join(' '));
}
