import { colourName } from '../../colours/index.ts';
import { formatMeasured, type WishedBand } from '../../recipe/index.ts';
import type { Check } from './check.ts';
import type { Finding } from '../result/inspection.ts';
import { middleOf, rounded, type Subject } from '../measure/subject.ts';
import { said, say } from '../../words/index.ts';

/** What counts as above a height, mm: more than the rounding of a surface. */
const ABOVE_MM = 0.01;

/** Looks whether a colour that is meant for one step comes to others as well, since a printer holds one filament at a time. */
export const colours: Check<'colours'> = {
  id: 'colours',
  get title() {
    return say('Colours');
  },
  why: {
    words: said([
      'The printer holds one filament at a time, so all that it prints at one height is of one colour.',
      'Two colours beside each other need a printer that changes filament by itself.',
    ]),
    drawing: [
      ['solid', 'M16 52V36H104V52Z'],
      ['trouble', 'M24 36V22H48V36Z'],
      ['air', 'M70 36V22H94V36Z'],
      ['layer', 'M8 29H112'],
    ],
  },
  notes: {
    measures: 'How often a colour is wished for one step and comes to others that reach as high.',
    limit: 'None; more only warn, since the part can be printed all the same.',
    blindSpots:
      'Looked for in recipes only. What a later step cuts away from another still counts where its surface is left.',
  },
  inspect(subject) {
    const bands = subject.about.origin?.colours ?? [];
    const findings = bands.flatMap((band) => sideBySide(subject, band));
    return {
      verdict: findings.length > 0 ? 'warn' : 'pass',
      measured: bands.length > 1 ? findings.length : null,
      limit: 0,
      unit: '',
      rule: 'atMost',
      findings,
    };
  },
};

function sideBySide(subject: Subject, { fromMm, colour, beside = [] }: WishedBand): Finding[] {
  const { mesh } = subject;
  const isAbove = (triangle: number) =>
    [0, 1, 2].some(
      (corner) => mesh.positions[3 * mesh.triangles[3 * triangle + corner] + 2] > fromMm + ABOVE_MM,
    );
  const triangles: number[] = [];
  mesh.stepOf?.forEach((step, triangle) => {
    if (beside.includes(step) && isAbove(triangle)) triangles.push(triangle);
  });
  if (triangles.length === 0) return [];
  return [
    {
      verdict: 'warn',
      measured: rounded(fromMm),
      unit: 'mm',
      at: middleOf(subject, triangles[0]),
      message: say(
        'This is {colour} from {from} mm up as well. Two colours beside each other at one height need a printer with several filaments.',
        { colour: colourName(colour), from: formatMeasured(fromMm) },
      ),
      steps: subject.stepsOf(triangles),
      triangles,
    },
  ];
}
