import { said, say, sayList } from '@kelbrin/core/words';
import type { CareKind } from '../shared/care';

/** What is said of looking after printers. */
export const careTexts = said({
  title: 'Care',
  kinds: { nozzle: 'nozzle', belts: 'belts', plate: 'plate' } satisfies Record<CareKind, string>,
  due: (kinds: readonly string[]) => say('due: {kinds}', { kinds: sayList(kinds) }),
  grams: (grams: number) => say('{grams} g', { grams: grams.toFixed(0) }),
  since: (day: string, by: string, note: string) =>
    note === ''
      ? say('since {day} ({by})', { day, by })
      : say('since {day} ({by}): {note}', { day, by, note }),
  never: 'since it was new',
  book: 'What was done before',
  entry: (day: string, kind: string, by: string, note: string) =>
    note === ''
      ? say('{day}: {kind} ({by})', { day, kind, by })
      : say('{day}: {kind} ({by}), {note}', { day, kind, by, note }),
  somebody: 'somebody',
  note: 'what you did',
  noteOf: (kind: string, printer: string) => say('What you did: {kind} of {printer}', { kind, printer }),
  done: 'Done today',
  doneOf: (kind: string, printer: string) => say('Done today: {kind} of {printer}', { kind, printer }),
} as const);
