import { error, redirect, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import { building } from '$app/environment';
import type { Person } from '$lib/server/platform/auth/access';
import { personBehind } from '$lib/server/platform/auth/session';
import { passOver } from '$lib/requests.server';
import { log } from '$lib/server/platform/basics/log';
import { speakAsSet } from '$lib/server/platform/basics/language';
import { stopWhenAsked } from '$lib/server/platform/stop';
import { say } from '@kelbrin/core/words';
import { serverConfig } from '$lib/server/platform/basics/config';

export const init: ServerInit = () => {
  speakAsSet();
  stopWhenAsked();
};

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

/** Requests that change nothing, and so may come from anywhere. */
const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** What a browser may do for a page of Kelbrin: nothing of what a page could ask for. */
const PERMISSIONS = 'camera=(), display-capture=(), geolocation=(), microphone=(), payment=(), usb=()';

export const handle: Handle = async (input) => {
  if (building) return input.resolve(input.event);
  try {
    return await answer(input);
  } finally {
    void passOver(input.event.request);
  }
};

const answer: Handle = async ({ event, resolve }) => {
  const { request, url } = event;
  // Whatever a form or a script of another site sends, its browser says where it comes from.
  if (!SAFE_METHODS.has(request.method) && request.headers.get('origin') !== url.origin)
    error(403, 'This was sent from another site.');
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
  const response = await resolve(event, {
    transformPageChunk: ({ html }) => html.replace('%kelbrin.language%', serverConfig().KELBRIN_LANGUAGE),
  });
  response.headers.set('X-Content-Type-Options', 'nosniff');
  response.headers.set('Referrer-Policy', 'same-origin');
  response.headers.set('Permissions-Policy', PERMISSIONS);
  if (url.protocol === 'https:') response.headers.set('Strict-Transport-Security', 'max-age=31536000');
  // Nothing of what somebody may see lies in a browser's store for whoever uses it next.
  if (!response.headers.has('Cache-Control')) response.headers.set('Cache-Control', 'private, no-store');
  return response;
};

/** What went wrong is for the log, with the page that was asked for and not with what was asked; people are told in one sentence. */
export const handleError: HandleServerError = ({ error: err, event, status }) => {
  if (status !== 404)
    log.error({ err, route: event.route.id, status, person: event.locals.person?.id }, 'A request failed');
  return {
    message: status === 404 ? say('There is nothing here.') : say('Something went wrong here. Try it again.'),
  };
};
