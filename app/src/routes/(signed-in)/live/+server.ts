import { error } from '@sveltejs/kit';
import { isStaff, maySeeClass, maySeeProject, NotAllowed, type Person } from '$lib/server/auth/access';
import { connection, database } from '$lib/server/db/database';
import { LiveHub } from '$lib/server/live/hub';
import type { Topic } from '$lib/server/live/topics';
import type { RequestHandler } from './$types';

const MOST_TOPICS = 10;
/** A comment this often keeps proxies from closing a silent connection. */
const BEAT_MS = 20_000;

let hub: LiveHub | undefined;

/**
 * Tells a page by server-sent events when something that it shows has changed: `/live?topic=printroom`. Every page
 * shows how many notices there are for the person, and so follows those too.
 */
export const GET: RequestHandler = async ({ url, locals }) => {
  const topics = url.searchParams.getAll('topic');
  if (topics.length === 0 || topics.length > MOST_TOPICS) error(400, 'Name what to follow.');
  for (const topic of topics)
    if (!(await mayFollow(locals.person!, topic))) error(404, 'There is nothing to follow.');

  hub ??= new LiveHub(connection().sql);
  const following = hub;
  const encoder = new TextEncoder();
  let isOpen = true;
  let unfollow = () => {};
  let beat: ReturnType<typeof setInterval> | undefined;
  // A page may be left at any moment, even before its stream follows anything.
  const end = () => {
    isOpen = false;
    clearInterval(beat);
    unfollow();
  };
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (words: string) => {
        if (isOpen) controller.enqueue(encoder.encode(words));
      };
      beat = setInterval(() => send(': still here\n\n'), BEAT_MS);
      unfollow = await following.follow([...(topics as Topic[]), `person:${locals.person!.id}`], (topic) =>
        send(`data: ${topic}\n\n`),
      );
      if (!isOpen) return end();
      // Whatever happened before this moment was not heard: the page looks once.
      send('retry: 1000\ndata: following\n\n');
    },
    cancel: end,
  });
  return new Response(stream, {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' },
  });
};

async function mayFollow(person: Person, topic: string): Promise<boolean> {
  const [kind, id] = topic.split(':');
  try {
    if (topic === 'printroom') return isStaff(person);
    if (kind === 'project') return await maySeeProject(database(), person, id);
    if (kind === 'class') return await maySeeClass(database(), person, id);
  } catch (problem) {
    if (!(problem instanceof NotAllowed)) throw problem;
  }
  return false;
}
