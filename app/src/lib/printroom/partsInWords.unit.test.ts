import { expect, it } from 'vitest';
import { namesOf } from './partsInWords';

it('names whose parts are on a batch, each once, and few of many', () => {
  const parts = (...names: string[]) => names.map((student) => ({ student }));
  expect(namesOf(parts('Asha'))).toBe('Asha');
  expect(namesOf(parts('Asha', 'Bruno', 'Asha'))).toBe('Asha and Bruno');
  expect(namesOf(parts('Asha', 'Bruno', 'Cleo'))).toBe('Asha, Bruno and Cleo');
  expect(namesOf(parts('Asha', 'Bruno', 'Cleo', 'Dario', 'Emil'))).toBe('Asha, Bruno and 3 more');
});
