import type { ProjectState } from '../server/projects/projects.ts';
import type { BenchReport } from '../shared/benchReport.ts';
import { stateWords } from '../texts/states.ts';
import { lessonTexts as say } from '../texts/lesson.ts';

/** What is known of a student's project during a lesson. */
export interface Begun {
  readonly updatedAt: Date;
  readonly helpAskedAt: Date | null;
  readonly report: BenchReport | null;
  readonly state: ProjectState;
}

/** How much a student needs the teacher, and in words why. */
export interface Need {
  /** Lower ones come first. */
  readonly rank: number;
  readonly kind: 'asks' | 'stuck' | 'notBegun' | 'fails' | 'quiet' | 'designs' | 'done';
  readonly words: string;
}

/** With a failing check and without an edit for this long, a student is taken to be stuck. */
const STUCK_MINUTES = 3;
/** Without an edit for this long, a student is taken to do something else. */
const QUIET_MINUTES = 8;
/** An edit that is older was made in another lesson, and says nothing about this one. */
const LESSON_MINUTES = 90;

/** Whole minutes since a time. */
export function minutesSince(at: Date, nowMs: number): number {
  return Math.max(0, Math.floor((nowMs - at.getTime()) / 60_000));
}

/**
 * Says how much a student needs the teacher: who asks comes first, and of those who asked earliest; then those who are
 * stuck, have not begun, fail a check or are quiet; those who are done come last.
 */
export function needOf(project: Begun | undefined, nowMs: number): Need {
  if (!project) return { rank: 2, kind: 'notBegun', words: say.notBegun };
  const { helpAskedAt, state, report } = project;
  if (helpAskedAt) {
    // A long wait counts for more, up to a whole day of it.
    const minutes = minutesSince(helpAskedAt, nowMs);
    return { rank: -Math.min(minutes, 1440) / 1440, kind: 'asks', words: say.asks(minutes) };
  }
  if (state !== 'designing' && state !== 'sent_back') {
    return { rank: 6, kind: 'done', words: stateWords[state] };
  }
  const idle = minutesSince(project.updatedAt, nowMs);
  const isNow = idle < LESSON_MINUTES;
  const isFailing = report?.verdict === 'fail' || (report?.verdict === null && report.steps > 0);
  if (isFailing && isNow && idle >= STUCK_MINUTES) return { rank: 1, kind: 'stuck', words: say.stuck(idle) };
  if (isFailing) return { rank: 3, kind: 'fails', words: say.fails };
  if (isNow && idle >= QUIET_MINUTES) return { rank: 4, kind: 'quiet', words: say.quiet(idle) };
  return { rank: 5, kind: 'designs', words: stateWords[state] };
}
