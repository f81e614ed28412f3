import { auth } from './auth.ts';
import type { Person } from './access.ts';

/** The look-ups under way, by the cookies that they are for. */
const underWay = new Map<string, Promise<Person | undefined>>();

/**
 * Who a request comes from; undefined for a visitor. A page of thirty pictures sends thirty requests with the same
 * cookies at once: those share one look-up. A finished one is not kept, so that a session that is ended is over with
 * the next request.
 */
export function personBehind(headers: Headers): Promise<Person | undefined> {
  const cookies = headers.get('cookie');
  if (cookies === null) return Promise.resolve(undefined);
  let lookUp = underWay.get(cookies);
  if (!lookUp) {
    lookUp = personInSession(headers).finally(() => underWay.delete(cookies));
    underWay.set(cookies, lookUp);
  }
  return lookUp;
}

async function personInSession(headers: Headers): Promise<Person | undefined> {
  const session = await auth().api.getSession({ headers });
  if (!session) return undefined;
  const { id, name, role } = session.user;
  return { id, name, role: role as Person['role'] };
}
