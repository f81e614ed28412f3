import type { Placement } from './placement.ts';
import { clause, degrees, text, type Addition, type FieldPath, type Token } from './sentence.ts';
import { say } from '../words/index.ts';

/** "; carried 30° around its middle": how far a thing is carried around what it is on. */
export function aroundTokens({ aroundDeg }: Placement, path: FieldPath = ['placement']): Token[] {
  if (aroundDeg === undefined) return [];
  return clause(
    [
      text('; carried'),
      degrees([...path, 'aroundDeg'], aroundDeg, 'how far it is carried around', { nudge: 5 }),
      text('around its middle'),
    ],
    [...path, 'aroundDeg'],
    'Do not carry it around',
  );
}

/** The offer to carry a thing around the middle of what it is on. */
export function aroundAddition({ aroundDeg }: Placement): Addition[] {
  if (aroundDeg !== undefined) return [];
  return [{ label: say('carry it around the middle'), path: ['placement', 'aroundDeg'], value: 30 }];
}
