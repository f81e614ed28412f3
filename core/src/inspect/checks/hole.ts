import { formatMm } from '../../recipe/sentence.ts';
import { findRoundHoles, type RoundHole } from '../roundHoles.ts';
import type { Check } from '../check.ts';
import type { Finding } from '../inspection.ts';
import { rounded } from '../subject.ts';
import { judge, worst, type Verdict } from '../verdict.ts';

/** Measures every round hole. Holes that pass are reported too, since pupils look for them. */
export const hole: Check = {
  id: 'hole',
  title: 'Holes',
  inspect(subject, { minHoleMm }) {
    const findings = findRoundHoles(subject).map((found): Finding => {
      const verdict = judge(found.diameterMm, 'atLeast', minHoleMm);
      return {
        verdict,
        measured: rounded(found.diameterMm),
        unit: 'mm',
        at: found.middle.map(rounded) as [number, number, number],
        message: sentence(found, verdict, minHoleMm),
        steps: subject.stepsOf(found.triangles),
        triangles: found.triangles,
        hole: {
          axis: found.axis.map(rounded) as [number, number, number],
          depthMm: rounded(found.depthMm),
          through: found.through,
        },
      };
    });
    findings.sort((a, b) => a.measured - b.measured);
    return {
      verdict: worst(findings.map(({ verdict }) => verdict)),
      measured: findings[0]?.measured ?? null,
      limit: minHoleMm,
      unit: 'mm',
      rule: 'atLeast',
      findings,
    };
  },
};

function sentence(
  { diameterMm, depthMm, through, axis }: RoundHole,
  verdict: Verdict,
  minHoleMm: number,
): string {
  const what = `This hole is Ø ${formatMm(Math.round(diameterMm * 100) / 100)} mm`;
  if (verdict === 'fail')
    return `${what}; it will close up, because the smallest that prints open is Ø ${formatMm(minHoleMm)} mm.`;
  if (verdict === 'warn')
    return `${what}, only just over the smallest that prints open, Ø ${formatMm(minHoleMm)} mm.`;
  const depth = formatMm(Math.round(depthMm * 100) / 100);
  return `${what}, ${through ? `right through ${depth} mm` : `${depth} mm deep`}, ${direction(axis)}.`;
}

function direction([x, y, z]: RoundHole['axis']): string {
  const nearly = Math.cos((5 * Math.PI) / 180);
  if (Math.abs(z) > nearly) return 'upright';
  if (Math.abs(x) > nearly) return 'lying left to right';
  if (Math.abs(y) > nearly) return 'lying front to back';
  return 'slanted';
}
