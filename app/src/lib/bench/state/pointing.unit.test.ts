import { describe, expect, it } from 'vitest';
import type { ShownSolid } from '../worker/messages';
import { Pointing } from './pointing';

const box = { min: [0, 0, 0], max: [10, 20, 5] } as const;
const solid = { steps: [{ stepId: 's1', box }] } as unknown as ShownSolid;

describe('where the next step goes', () => {
  it('is on the side that was pointed at on the solid', () => {
    const pointing = new Pointing();
    pointing.picked('s1', [0, -1, 0]);
    expect(pointing.landing('s1', solid)).toMatchObject({ marked: 's1', side: 'front' });
    expect(pointing.landing('s1', solid).boxOf?.('s1')).toEqual(box);
    // Another sentence was marked since.
    expect(pointing.landing('s2', solid)).toMatchObject({ marked: 's2', side: undefined });
  });

  it('is on no side where a surface leans', () => {
    const pointing = new Pointing();
    pointing.picked('s1', [0, -0.8, 0.6]);
    expect(pointing.landing('s1', solid)).toMatchObject({ marked: 's1', side: undefined });
  });

  it('is not on what was just added, unless that is pointed at', () => {
    const pointing = new Pointing();
    pointing.added('s4');
    expect(pointing.landing('s4', solid).marked).toBeUndefined();
    expect(pointing.landing('s2', solid).marked).toBe('s2');
    pointing.picked('s4', [0, 0, 1]);
    expect(pointing.landing('s4', solid)).toMatchObject({ marked: 's4', side: 'up' });
    pointing.added('s5');
    expect(pointing.landing('s5', solid)).toMatchObject({ marked: undefined, side: undefined });
  });

  it('is anywhere once nothing is pointed at any more', () => {
    const pointing = new Pointing();
    pointing.picked('s1', [1, 0, 0]);
    pointing.picked(undefined);
    expect(pointing.landing(undefined, undefined)).toMatchObject({ marked: undefined, side: undefined });
  });
});
