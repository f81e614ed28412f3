/*
 * What is pressed or chosen on a page before its program runs is done once it runs: a page is shown first, and on a slow
 * computer a person is quicker than the program. Links and forms need none of this, as the browser heeds them itself.
 */
(() => {
  /** What was done to each control last, in order. */
  const early = new Map();

  const note = ({ type, target }) => {
    const control = target.closest?.(type === 'click' ? 'button' : 'input, select, textarea');
    if (!control || (control.type === 'submit' && control.form)) return;
    const { value, checked } = control;
    early.delete(control);
    early.set(control, () => {
      if (!control.isConnected) return;
      if (type === 'click') return control.click();
      if (control.type === 'checkbox' || control.type === 'radio') control.checked = checked;
      else if (control.type !== 'file') control.value = value;
      for (const kind of ['input', 'change']) control.dispatchEvent(new Event(kind, { bubbles: true }));
    });
  };

  const types = ['click', 'change'];
  for (const type of types) document.addEventListener(type, note, true);
  addEventListener(
    'kelbrin:alive',
    () => {
      for (const type of types) document.removeEventListener(type, note, true);
      for (const redo of early.values()) redo();
    },
    { once: true },
  );
})();
