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
  d: 'compare',
  '?': 'keys',
  '1': { view: 'Top' },
  '2': { view: 'Front' },
  '3': { view: 'Side' },
  '4': { view: 'Corner' },
};

/** Decisions, and what takes one back, need a key that nobody presses while writing words. */
const deliberate: Readonly<Record<string, ReviewCommand>> = { Enter: 'approve', z: 'undo' };

/**
 * The command of a key press; undefined for other keys, where something is being written or chosen, and where the key is
 * that of a button which decides something itself.
 */
export function reviewCommand(event: KeyboardEvent): ReviewCommand | undefined {
  if (event.altKey || isField(event.target)) return undefined;
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  if (!event.ctrlKey && !event.metaKey) return commands[key];
  return key === 'Enter' && (event.repeat || isDecision(event.target)) ? undefined : deliberate[key];
}

/** Whether the key that decides is held down: it was pressed for what came before, and decides nothing more. */
export function isHeldDown({ key, ctrlKey, metaKey, repeat }: KeyboardEvent): boolean {
  return repeat && key === 'Enter' && (ctrlKey || metaKey);
}

function isDecision(target: EventTarget | null): boolean {
  return target instanceof HTMLButtonElement && target.type === 'submit';
}

function isField(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLInputElement ||
    target instanceof HTMLTextAreaElement ||
    target instanceof HTMLSelectElement ||
    (target instanceof HTMLElement && target.isContentEditable)
  );
}
