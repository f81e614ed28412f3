import { formatMeasured, formatNumber } from '../../recipe/amount.ts';
import type { Check } from './check.ts';
import type { Finding } from '../result/inspection.ts';
import { measuredRelief, type MeasuredRelief } from '../measure/reliefs.ts';
import { middleOf, rounded } from '../measure/subject.ts';
import { figured } from '../result/figured.ts';
import { judge, worst, type Verdict } from '../result/verdict.ts';
import { said, say } from '../../words/index.ts';

/** Measures how far letters and figures stand out of, or lie in, the surface around them, and whether letters are whole. */
export const relief: Check<'relief'> = {
  id: 'relief',
  get title() {
    return say('Relief');
  },
  why: {
    words: said([
      'Letters show by the shadow at their edges.',
      'If they stand out by less than a few layers, or run over an edge, nobody can read them.',
    ]),
    drawing: [
      ['solid', 'M14 52V40H106V52Z'],
      ['trouble', 'M36 40V38H52V40ZM64 40V38H80V40Z'],
    ],
  },
  notes: {
    measures:
      'Letters and figures of a recipe: how far they stand out of, or lie in, the surface that their walls end at, and whether letters end at anything else.',
    limit: '`minReliefMm`; letters must be whole.',
    blindSpots: 'Looked for in recipes only: a bare file does not say what is a letter.',
  },
  inspect(subject, { minReliefMm }) {
    const reliefs = subject.about.origin?.reliefs ?? [];
    const measured = reliefs.flatMap((each) => measuredRelief(subject, each) ?? []);
    const heights = measured.flatMap(({ mm }) => mm ?? []);
    const findings = measured.flatMap((each): Finding[] => [
      ...tooFlat(each, minReliefMm),
      ...runningOut(each),
    ]);
    for (const finding of findings) finding.at = finding.at.map(rounded) as Finding['at'];
    return figured(
      {
        verdict: worst(findings.map(({ verdict }) => verdict)),
        measured: heights.length > 0 ? rounded(Math.min(...heights)) : null,
        limit: minReliefMm,
        unit: 'mm',
        rule: 'atLeast',
        findings,
      },
      () => say('letters are cut off'),
    );

    function tooFlat({ relief: of, mm, at, triangles }: MeasuredRelief, leastMm: number): Finding[] {
      if (mm === undefined) return [];
      const verdict = judge(mm, 'atLeast', leastMm);
      if (verdict === 'pass') return [];
      return [
        {
          verdict,
          measured: rounded(mm),
          unit: 'mm',
          at: [...at],
          message: sentence(of, mm, leastMm, verdict),
          steps: stepOf(of.step),
          triangles: [...triangles],
        },
      ];
    }

    function runningOut({ relief: of, runningOut: triangles }: MeasuredRelief): Finding[] {
      if (triangles.length === 0 || !of.isLettering) return [];
      return [
        {
          verdict: 'fail',
          measured: triangles.length,
          unit: '',
          at: middleOf(subject, triangles[0]),
          message: say(
            'These letters run over an edge, into a hole or into something else, and are cut off there.',
          ),
          steps: stepOf(of.step),
          triangles: [...triangles],
        },
      ];
    }

    function stepOf(index: number): string[] {
      const id = subject.about.origin?.stepIds[index];
      return id === undefined ? [] : [id];
    }
  },
};

function sentence(
  { isLettering, effect }: MeasuredRelief['relief'],
  mm: number,
  leastMm: number,
  verdict: Verdict,
): string {
  if (mm === 0) {
    return isLettering
      ? say('These letters cannot be seen: they do not stand out.')
      : say('This shape cannot be seen: it does not stand out.');
  }
  const height = say('{mm} mm', { mm: formatMeasured(mm) });
  const is = {
    sunk: isLettering
      ? say('These letters lie {height} deep', { height })
      : say('This shape lies {height} deep', { height }),
    raised: isLettering
      ? say('These letters stand {height} high', { height })
      : say('This shape stands {height} high', { height }),
  }[effect === 'sunk' ? 'sunk' : 'raised'];
  return verdict === 'fail'
    ? say('{is}. Less than {leastMm} mm hardly shows in print.', { is, leastMm: formatNumber(leastMm) })
    : say('{is}, only just over {leastMm} mm, the least that shows.', { is, leastMm: formatNumber(leastMm) });
}
