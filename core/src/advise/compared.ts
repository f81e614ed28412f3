import { isWorse, measuredWords, type CheckResult, type Inspection } from '../inspect/index.ts';
import { formatMeasured, formatNumber } from '../recipe/index.ts';
import { say } from '../words/index.ts';

/** Changes of volume below this share are not worth a word. */
const SAME_VOLUME = 0.02;

/** What is better and what is worse in one inspection than in another, in a few words each. */
export function compared(before: Inspection, after: Inspection): { better: string[]; worse: string[] } {
  const better: string[] = [];
  const worse: string[] = [];
  for (const now of after.checks) {
    const was = before.checks.find(({ id }) => id === now.id);
    if (!was) continue;
    if (now.verdict === was.verdict) continue;
    (isWorse(now.verdict, was.verdict) ? worse : better).push(`${now.title} ${words(was, now)}`);
  }
  const [from, to] = [before.part.volumeMm3, after.part.volumeMm3];
  if (Math.abs(to - from) > SAME_VOLUME * from) {
    (to < from ? better : worse).push(
      say('Volume {before} → {after} cm³', { before: cm3(from), after: cm3(to) }),
    );
  }
  return { better, worse };
}

/** "1.6 → 2.2 mm", or the verdicts where the figures say nothing. */
function words(was: CheckResult, now: CheckResult): string {
  // What a brief asks of the print is not known of what is only tried, so that its count would mislead.
  const isCounted = was.id !== 'brief' && was.measured !== null && was.measured !== now.measured;
  if (was.reason && now.verdict === 'pass') return say('no more: {reason}', { reason: was.reason });
  if (now.reason) return now.reason;
  if (!isCounted || now.measured === null) {
    return `${was.verdict} → ${now.verdict}`;
  }
  return `${formatMeasured(was.measured!)} → ${measuredWords(now.measured, now.unit)}`;
}

const cm3 = (mm3: number) => formatNumber(Math.round(mm3 / 10) / 100);
