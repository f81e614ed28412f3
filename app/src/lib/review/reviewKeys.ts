/** What a key does in the review, unless something is being written. */
export type ReviewCommand =
  | 'next'
  | 'back'
  | 'stepUp'
  | 'stepDown'
  | 'finding'
  | 'remarkStep'
  | 'remarkPlace'
  | 'whole'
  | 'approve'
  | 'compare'
  | 'undo'
  | 'keys'
  | { readonly view: 'Top' | 'Front' | 'Side' | 'Corner' };

const commands: Readonly<Record<string, ReviewCommand>> = {
  n: 'next',
  b: 'back',
  ArrowUp: 'stepUp',
  ArrowDown: 'stepDown',
  f: 'finding',
  r: 'remarkStep',
  p: 'remarkPlace',
  s: 'whole',
  a: 'approve',
  d: 'compare',
  u: 'undo',
  '?': 'keys',
  '1': { view: 'Top' },
  '2': { view: 'Front' },
  '3': { view: 'Side' },
  '4': { view: 'Corner' },
};

/** The command of a key press; undefined for other keys, with a modifier, and where something is being written. */
export function reviewCommand(event: KeyboardEvent): ReviewCommand | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey) return undefined;
  const { target } = event;
  if (
    target instanceof HTMLInputElement ||
    target instanceof HTMLTextAreaElement ||
    target instanceof HTMLSelectElement
  ) {
    return undefined;
  }
  return commands[event.key.length === 1 ? event.key.toLowerCase() : event.key];
}
