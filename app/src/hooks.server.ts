import { error, redirect, type Handle, type ServerInit } from '@sveltejs/kit';
import { building } from '$app/environment';
import type { Person } from '$lib/server/auth/access';
import { personBehind } from '$lib/server/auth/session';
import { stopWhenAsked } from '$lib/server/stop';

export const init: ServerInit = stopWhenAsked;

/**
 * Who may enter which group of routes. A route lies in one of these folders or is closed to everyone, so that a new
 * page is never open by oversight. What a person may see within a page is checked where it is loaded.
 */
const mayEnter: Record<string, (person: Person | undefined) => boolean> = {
  public: () => true,
  'signed-in': (person) => person !== undefined,
  student: (person) => person?.role === 'student',
  teacher: (person) => person?.role === 'teacher',
  staff: (person) => person?.role === 'teacher' || person?.role === 'helper',
};

export const handle: Handle = async ({ event, resolve }) => {
  if (building) return resolve(event);
  const person = await personBehind(event.request.headers);
  event.locals.person = person;
  if (event.route.id !== null) {
    const group = /^\/\(([a-z-]+)\)/.exec(event.route.id)?.[1] ?? '';
    if (!mayEnter[group]?.(person)) {
      if (person) error(403, 'This page is not for you.');
      if (event.request.method === 'GET' && !event.url.pathname.startsWith('/live'))
        redirect(303, '/sign-in');
      error(401, 'Sign in first.');
    }
  }
  const response = await resolve(event);
  response.headers.set('X-Content-Type-Options', 'nosniff');
  response.headers.set('Referrer-Policy', 'same-origin');
  return response;
};
