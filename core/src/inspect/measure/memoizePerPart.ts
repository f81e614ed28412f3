import type { Subject } from './subject.ts';

/**
 * A function of the part under inspection that several checks ask for, worked out once for each part. Whoever follows the
 * inspection is told of its value as it is worked out.
 *
 * @param name what the value is, for who follows
 * @param make works it out
 * @param keyOf tells apart what it depends on beyond the part
 */
export function memoizePerPart<T, Rest extends unknown[] = []>(
  name: string,
  make: (subject: Subject, ...rest: Rest) => T,
  keyOf: (...rest: Rest) => string = () => '',
): (subject: Subject, ...rest: Rest) => T {
  const known = new WeakMap<Subject, Map<string, T>>();
  return (subject, ...rest) => {
    const values = known.get(subject) ?? new Map<string, T>();
    known.set(subject, values);
    const key = keyOf(...rest);
    if (!values.has(key)) {
      const beganAt = performance.now();
      const value = make(subject, ...rest);
      values.set(key, value);
      subject.onFigure?.({
        name: key === '' ? name : `${name} ${key}`,
        value,
        ms: performance.now() - beganAt,
      });
    }
    return values.get(key)!;
  };
}
