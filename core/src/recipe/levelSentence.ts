import type { Axis, Placement } from './placement.ts';
import { alongTokens, isCentred } from './placementSentence.ts';
import { text, type Token } from './sentence.ts';
import { asideIf } from './shortSentence.ts';

/**
 * The level along the axis that a thing faces, and the mark behind it. It goes without saying on the plate, on the top that
 * something is added to, and at the top that something is cut into.
 */
export function levelTokens(
  axis: Axis,
  { placement, effect = 'add' }: { readonly placement: Placement; readonly effect?: 'add' | 'cut' | 'keep' },
): Token[] {
  const rule = placement[axis];
  const isUsual =
    'plate' in placement.on
      ? rule.relation === 'at' && rule.own === 'low' && rule.mm === 0
      : effect === 'add'
        ? rule.relation === 'beside' && rule.edge === 'high' && rule.overlapMm === 0
        : rule.relation === 'inFrom' && rule.edge === 'high' && rule.mm === 0;
  const tokens = alongTokens(axis, rule, placement.on, ['placement', axis]);
  return asideIf(isUsual || isCentred(rule), ...tokens, text(','));
}
