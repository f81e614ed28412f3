import { error } from '@sveltejs/kit';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { eventStream } from '$lib/server/platform/live/streams';
import { RunWatch } from '$lib/server/printing/runs/runWatch';
import { demandWatching } from '$lib/server/printing/runs/watching';
import type { RequestHandler } from './$types';

/** So long a stream lasts, ms: whoever was signed out meanwhile gets no other. */
const LONGEST_MS = 5 * 60_000;

let watch: RunWatch | undefined;

/** Tells by server-sent events how far a run is, whenever that is another. */
export const GET: RequestHandler = async ({ params, locals }) => {
  await orNotFound(demandWatching(database(), locals.person!, params.run));
  watch ??= new RunWatch(database());
  const { run } = params;
  const stream = eventStream(locals.person!.id, async (send, close) => {
    const unfollow = watch!.follow(run, (progress) => send({ data: JSON.stringify(progress) }));
    // The browser asks for another one then, and is let in if it still may.
    const timer = setTimeout(close, LONGEST_MS);
    return () => {
      clearTimeout(timer);
      unfollow();
    };
  });
  if (!stream) error(429, 'Too many pages of yours are open elsewhere.');
  return new Response(stream, {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' },
  });
};
