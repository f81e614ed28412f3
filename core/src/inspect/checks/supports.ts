import { formatNumber } from '../../recipe/amount.ts';
import type { LimitsCard } from '../card/limits.ts';
import type { PrintNeeds } from '../measure/aboutPart.ts';
import { inHours } from '../result/inWords.ts';
import type { CheckResult, Finding } from '../result/inspection.ts';
import { rounded } from '../measure/subject.ts';
import { worst } from '../result/verdict.ts';
import { said, say } from '../../words/index.ts';
import type { PrintCheck } from './check.ts';

/** Says what supports take, where they cannot reach, and where nobody gets them out. */
export const supports: PrintCheck<'supports'> = {
  id: 'supports',
  get title() {
    return say('Supports');
  },
  why: {
    words: said([
      'What hangs can be held from below by plastic that is broken off afterwards.',
      'It takes time and filament, and the face that it held is rough.',
    ]),
    drawing: [
      ['solid', 'M20 52V10H100V20H34V52Z'],
      ['trouble', 'M34 20H100V24H34Z'],
      ['line', 'M48 52V24M62 52V24M76 52V24M90 52V24'],
    ],
  },
  notes: {
    measures:
      'The grams of supports, where card and brief let parts be held; where a support cannot reach what hangs, since it may stand on the plate alone and the part is in between; and where supports stand that the part is all around of, followed from height to height by openings of 3 mm.',
    limit: '`supports`, and the brief.',
    blindSpots:
      'Known once the part was sliced, a moment after the rest. Whether a tool has room to turn is not looked at.',
  },
  inspect: ({ about }, limits) => against(about.print, limits),
  withPrint: (_, print, limits) => against(print, limits),
};

function against(print: PrintNeeds | undefined, { maxGrams }: LimitsCard): Omit<CheckResult, 'id' | 'title'> {
  const plain = { limit: maxGrams, unit: 'g' as const, rule: 'atMost' as const };
  const needs = print?.supports;
  if (!needs) return { ...plain, verdict: 'pass', measured: null, findings: [] };
  const grams = rounded(needs.grams);
  const finding = (verdict: Finding['verdict'], at: readonly number[], message: string): Finding => ({
    verdict,
    measured: grams,
    unit: 'g',
    at: [at[0], at[1], at[2]].map(rounded) as Finding['at'],
    message,
    steps: [],
    triangles: [],
  });
  const takes = say('Held by supports: {grams} g, {minutes}. They are broken off after printing.', {
    grams: formatNumber(Math.round(10 * grams) / 10),
    minutes: inHours(60 * needs.minutes),
  });
  const findings = [
    ...(grams > 0 ? [finding('warn', [0, 0, 0], takes)] : []),
    ...needs.unheld.map((at) =>
      finding('fail', at, say('Something hangs here, and no support can reach it.')),
    ),
    ...needs.closedIn.map((at) =>
      finding('warn', at, say('The supports here cannot be taken out: the part is all around them.')),
    ),
  ];
  return { ...plain, verdict: worst(findings.map(({ verdict }) => verdict)), measured: grams, findings };
}
