import { colourName, type FilamentColour } from '@kelbrin/core/colours';
import type { Facet } from '../../shared/queue/queueView';
import { queueTexts as say } from '../../texts/queue';
import { shortDay } from '../../ui/times';

/** A value that parts are found or grouped by, as people call it. */
export function facetWords(facet: Facet, value: string): string {
  switch (facet) {
    case 'colour':
      return value === ''
        ? say.anyColour
        : value
            .split(' ')
            .map((colour) => colourName(colour as FilamentColour) ?? colour)
            .join(', ');
    case 'due':
      return value === '' ? say.noDueDate : shortDay(value);
    case 'state':
      return say.states[value as keyof typeof say.states] ?? value;
    default:
      return value;
  }
}
