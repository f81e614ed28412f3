import { expect, it } from 'vitest';
import { layerStarts } from './layerStarts.ts';

it('finds where layers begin among the commands, whatever parts are called', () => {
  const lines = [
    '; layer cake, for Asha',
    'G28',
    '; layer 1 of 2',
    'G1 X1',
    ';',
    '; layer 2 of 2',
    'G1 X2',
    'M84',
    '',
  ];
  const sent = lines.filter((line) => !line.startsWith(';')).join('\n');
  const starts = layerStarts(lines.join('\n'));
  expect(starts.map((share) => sent.slice(Math.round(share * sent.length)).split('\n', 1)[0])).toEqual([
    'G1 X1',
    'G1 X2',
  ]);
  expect(layerStarts('G28\n')).toEqual([]);
});
