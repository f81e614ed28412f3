import { degrees, millimetres, text, type FieldPath, type Token } from '../../sentence.ts';
import { say } from '../../../words/index.ts';
import type { Node } from './node.ts';
import type { Rule } from './rule.ts';

/**
 * A rule in words, its numbers as fields: "edge 1–2 is 30 mm long". Points have the numbers in which they were drawn, edges
 * those of their ends. `path` leads to the rule.
 */
export function ruleTokens(rule: Rule, nodes: readonly Node[], path: FieldPath): Token[] {
  const number = (id: string) => nodes.findIndex((node) => node.id === id) + 1;
  const point = (id: string) => (number(id) > 0 ? String(number(id)) : '?');
  const edge = (id: string) => (number(id) > 0 ? `${number(id)}–${(number(id) % nodes.length) + 1}` : '?');
  const at = (field: string): FieldPath => [...path, field];
  const isEdge = (a: string, b: string) => nodes.length > 2 && number(b) === (number(a) % nodes.length) + 1;
  /** The ends of an edge as it runs, and any other points as they were named. */
  const inOrder = ([a, b]: readonly [string, string]) => (isEdge(b, a) ? [b, a] : [a, b]);
  switch (rule.kind) {
    case 'apart': {
      const [a, b] = inOrder(rule.points);
      const begins =
        rule.measured === 'straight' && isEdge(a, b)
          ? say('Edge {edge} is', { edge: edge(a) })
          : say('Points {a} and {b} lie', { a: point(a), b: point(b) });
      const isBent = nodes[number(a) - 1]?.bend !== undefined;
      const ends = {
        straight: () => (!isEdge(a, b) ? say('apart') : isBent ? say('from end to end') : say('long')),
        across: () => say('apart, across'),
        up: () => say('apart, up'),
      }[rule.measured]();
      return [
        { type: 'text', text: begins },
        millimetres(at('lengthMm'), rule.lengthMm, 'length', { min: 0, nudge: 1 }),
        { type: 'text', text: ends },
      ];
    }
    case 'level':
    case 'upright': {
      const [a, b] = inOrder(rule.points);
      const values = { edge: edge(a), a: point(a), b: point(b) };
      if (rule.kind === 'level')
        return only(
          isEdge(a, b)
            ? say('Edge {edge} is level', values)
            : say('Points {a} and {b} lie at one height', values),
        );
      return only(
        isEdge(a, b)
          ? say('Edge {edge} is upright', values)
          : say('Points {a} and {b} lie one above the other', values),
      );
    }
    case 'parallel':
    case 'square':
    case 'equal':
    case 'touching':
    case 'sameCentre': {
      const values = { a: edge(rule.edges[0]), b: edge(rule.edges[1]) };
      const words = {
        parallel: () => say('Edges {a} and {b} run the same way', values),
        square: () => say('Edges {a} and {b} are at a right angle', values),
        equal: () => say('Edges {a} and {b} are equal', values),
        touching: () => say('Edges {a} and {b} touch without a corner', values),
        sameCentre: () => say('Edges {a} and {b} have one centre', values),
      };
      return only(words[rule.kind]());
    }
    case 'slant':
      return [
        { type: 'text', text: say('Edge {edge} rises by', { edge: edge(rule.edge) }) },
        degrees(at('degrees'), rule.degrees, 'angle', { min: -180, max: 180 }),
      ];
    case 'angle':
      return [
        { type: 'text', text: say('The angle at point {point} is', { point: point(rule.points[1]) }) },
        degrees(at('degrees'), rule.degrees, 'angle', { min: 0, max: 180 }),
      ];
    case 'radius':
      return [
        { type: 'text', text: say('Arc {edge} has the radius', { edge: edge(rule.edge) }) },
        millimetres(at('radiusMm'), rule.radiusMm, 'radius', { nudge: 1 }),
      ];
    case 'symmetric': {
      const values = { a: point(rule.points[0]), b: point(rule.points[1]) };
      return only(
        rule.mirror === undefined
          ? say('Points {a} and {b} are mirror images', values)
          : say('Points {a} and {b} are mirror images in edge {edge}', {
              a: values.a,
              b: values.b,
              edge: edge(rule.mirror),
            }),
      );
    }
    case 'held':
      return [
        { type: 'text', text: say('Point {point} stays', { point: point(rule.point) }) },
        ...(rule.xMm === undefined
          ? []
          : [
              millimetres(at('xMm'), rule.xMm, 'to the right', { min: -1000, nudge: 1 }),
              text('to the right'),
            ]),
        ...(rule.xMm === undefined || rule.yMm === undefined ? [] : [text('and')]),
        ...(rule.yMm === undefined
          ? []
          : [millimetres(at('yMm'), rule.yMm, 'up', { min: -1000, nudge: 1 }), text('up')]),
      ];
    case 'onAxis':
      return only(say('Point {point} lies on the middle line', { point: point(rule.point) }));
    case 'inMiddle':
      return only(
        say('Point {point} lies in the middle of edge {edge}', {
          point: point(rule.point),
          edge: edge(rule.edge),
        }),
      );
    case 'beside':
      return [
        {
          type: 'text',
          text: say('Point {point} lies beside edge {edge} by', {
            point: point(rule.point),
            edge: edge(rule.edge),
          }),
        },
        millimetres(at('gapMm'), rule.gapMm, 'distance', { min: 0, nudge: 1 }),
      ];
  }
}

function only(words: string): Token[] {
  return [{ type: 'text', text: words }];
}
