import * as z from 'zod';
import { formatMeasured, millimetres, PLACEHOLDER, text } from '../../recipe/index.ts';
import { measuredRelief } from '../measure/reliefs.ts';
import { middleOf, rounded } from '../measure/subject.ts';
import { judge } from '../result/verdict.ts';
import type { RequirementKind } from './requirementKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({
  kind: z.literal('letters'),
  tallMm: z.number().min(0.5).max(300),
});
type Letters = z.infer<typeof schema>;

/** Letters that are tall enough, by the height of their capitals as they come out; only a recipe tells of them. */
export const letters: RequirementKind<Letters> = {
  kind: 'letters',
  get label() {
    return say('Letters');
  },
  create: () => ({ kind: 'letters', tallMm: 8 }),
  sentence: ({ tallMm }) => [
    text('carries letters at least'),
    millimetres(['tallMm'], tallMm, 'height of a capital', { max: 300 }),
    text('tall'),
  ],
  ofPart({ tallMm }, subject) {
    const { origin } = subject.about;
    if (!origin) return undefined;
    const written = origin.writings.filter(({ isPlaceholder }) => !isPlaceholder);
    const [tallest] = written.sort((a, b) => b.capMm - a.capMm);
    if (!tallest) {
      const said =
        origin.writings.length > 0
          ? say('“{placeholder}” is no word of your own yet', { placeholder: PLACEHOLDER })
          : say('there are none');
      return { isMet: false, measured: 0, unit: 'mm', said };
    }
    const triangles: number[] = [];
    subject.mesh.stepOf?.forEach((step, face) => step === tallest.step && triangles.push(face));
    const relief = origin.reliefs.find(({ step }) => step === tallest.step);
    // What was written may be gone again: cut away, or level with the surface it stands on.
    if (triangles.length === 0 || (relief && measuredRelief(subject, relief)?.mm === 0)) {
      return { isMet: false, measured: 0, unit: 'mm', said: say('none of them show') };
    }
    return {
      isMet: judge(tallest.capMm, 'atLeast', tallMm) !== 'fail',
      measured: rounded(tallest.capMm),
      limit: tallMm,
      unit: 'mm',
      said: say('the tallest are {capMm} mm tall', { capMm: formatMeasured(tallest.capMm) }),
      at: middleOf(subject, triangles[0]),
      triangles,
    };
  },
};
