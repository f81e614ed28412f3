import { isFormula, type Resolved } from '../../amount.ts';
import { evaluateAmount } from '../../measures.ts';
import type { Ruled } from './drawingEdits.ts';
import type { PlainNode } from './node.ts';
import type { Rule } from './rule.ts';
import type { PlainDrawing } from './settledDrawing.ts';

/**
 * A drawing whose numbers are worked out with measures, to be shown while it is edited. What has no value is 0, and while a
 * number of a rule has none, no rule holds: the sentence of the step says what is wrong there.
 */
export function plainDrawing(
  { nodes, rules = [] }: Ruled,
  measures: ReadonlyMap<string, number>,
  isHalf: boolean,
): PlainDrawing {
  let isWorkedOut = true;
  const plain = (fields: object) =>
    Object.fromEntries(
      Object.entries(fields).map(([field, value]) => {
        if (!isFormula(value)) return [field, value];
        const worked = evaluateAmount(value, measures);
        if (!worked.ok) isWorkedOut = false;
        return [field, worked.ok ? worked.value : 0];
      }),
    );
  const plainNodes = nodes.map(plain) as PlainNode[];
  isWorkedOut = true;
  const plainRules = rules.map(plain) as Resolved<Rule>[];
  return { nodes: plainNodes, rules: isWorkedOut ? plainRules : [], isHalf };
}
