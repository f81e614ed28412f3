import type { Subject } from './subject.ts';

/** A function of the part under inspection that several checks ask for, worked out once for each part. */
export function memoizePerPart<T>(make: (subject: Subject) => T): (subject: Subject) => T {
  const known = new WeakMap<Subject, { readonly value: T }>();
  return (subject) => {
    let made = known.get(subject);
    if (!made) {
      made = { value: make(subject) };
      known.set(subject, made);
    }
    return made.value;
  };
}
