import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { hearPresses } from './presses.ts';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** An element with a pointer on it, and what was heard of that. */
function heard() {
  const element = new EventTarget();
  const said: string[] = [];
  const end = hearPresses(element as HTMLElement, {
    pressed: () => said.push('pressed'),
    rests: () => said.push('rests'),
    leaves: () => said.at(-1) === 'rests' && said.push('leaves'),
  });
  const fire = (type: string, clientX: number, more = {}) =>
    element.dispatchEvent(
      Object.assign(new Event(type), { clientX, clientY: 0, buttons: 0, pointerType: 'mouse', ...more }),
    );
  return { said, fire, end };
}

it('a press that stays where it is is one, and a drag is none', () => {
  const { said, fire } = heard();
  fire('pointerdown', 10);
  fire('pointerup', 12);
  fire('pointerdown', 10);
  fire('pointerup', 30);
  expect(said).toEqual(['pressed']);
});

it('a pointer that rests is told of once, until it moves on, and a finger never is', () => {
  const { said, fire, end } = heard();
  fire('pointermove', 10);
  vi.advanceTimersByTime(60);
  fire('pointermove', 11);
  vi.advanceTimersByTime(500);
  fire('pointermove', 20, { buttons: 1 });
  vi.advanceTimersByTime(500);
  fire('pointermove', 20, { pointerType: 'touch' });
  vi.advanceTimersByTime(500);
  expect(said).toEqual(['rests', 'leaves']);
  fire('pointermove', 30);
  end();
  vi.advanceTimersByTime(500);
  expect(said).toEqual(['rests', 'leaves']);
});
