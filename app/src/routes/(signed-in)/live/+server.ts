import { error } from '@sveltejs/kit';
import {
  isStaff,
  maySeeClass,
  maySeeProject,
  NotAllowed,
  type Person,
} from '$lib/server/platform/auth/access';
import { connection, database } from '$lib/server/platform/db/database';
import { LiveHub } from '$lib/server/platform/live/hub';
import { liveStream } from '$lib/server/platform/live/streams';
import type { Topic } from '$lib/server/platform/live/topics';
import type { RequestHandler } from './$types';

/** A teacher of forty classes with a page of thirty projects beside; more is nobody's page. */
const MOST_TOPICS = 200;

let hub: LiveHub | undefined;

/**
 * Tells a page by server-sent events when something that it shows has changed: `/live?topic=printroom`. Every page
 * shows how many notices there are for the person, and so follows those too.
 */
export const GET: RequestHandler = async ({ url, locals }) => {
  const topics = url.searchParams.getAll('topic');
  if (topics.length === 0 || topics.length > MOST_TOPICS) error(400, 'Name what to follow.');
  const may = await Promise.all(topics.map((topic) => mayFollow(locals.person!, topic)));
  if (may.includes(false)) error(404, 'There is nothing to follow.');

  hub ??= new LiveHub(connection().sql);
  const stream = liveStream(hub, locals.person!.id, topics as Topic[]);
  if (!stream) error(429, 'Too many pages of yours are open elsewhere.');
  return new Response(stream, {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' },
  });
};

const forStaff = new Set<string>(['printroom', 'queue', 'printers'] satisfies Topic[]);

async function mayFollow(person: Person, topic: string): Promise<boolean> {
  const [kind, id] = topic.split(':');
  try {
    if (forStaff.has(topic)) return isStaff(person);
    if (kind === 'project' || kind === 'seats') return await maySeeProject(database(), person, id);
    if (kind === 'class') return await maySeeClass(database(), person, id);
  } catch (problem) {
    if (!(problem instanceof NotAllowed)) throw problem;
  }
  return false;
}
