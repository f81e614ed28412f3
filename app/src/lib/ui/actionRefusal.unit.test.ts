import { describe, expect, it } from 'vitest';
import { actionRefusal } from './actionRefusal.ts';

describe('why an action did nothing', () => {
  it('is not said of what was carried out, nor of what its page says itself', () => {
    for (const type of ['success', 'redirect', 'failure'])
      expect(actionRefusal({ type, status: 200 })).toBeUndefined();
  });

  it('is what stands before all pages says', () => {
    expect(actionRefusal({ status: 401, message: 'Sign in first.' })).toBe('Sign in first.');
  });

  it('is what the server says of its own fault, or of what is not there', () => {
    expect(
      actionRefusal({ type: 'error', status: 500, error: { message: 'Something went wrong here.' } }),
    ).toBe('Something went wrong here.');
    expect(actionRefusal({ type: 'error', status: 404, error: { message: 'There is no such batch.' } })).toBe(
      'There is no such batch.',
    );
  });

  it('is that the server was not reached, whatever the browser calls that', () => {
    const words = actionRefusal({ type: 'error', error: { message: 'Failed to fetch' } });
    expect(words).toMatch(/could not be reached/);
    expect(words).not.toContain('fetch');
  });
});
