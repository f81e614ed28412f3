import { orNotFound } from '$lib/requests.server';
import { classAsZip } from '$lib/server/overview/classExport';
import { database } from '$lib/server/platform/db/database';
import type { RequestHandler } from './$types';

/** Everything of a class, as a zip. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const { name, zip } = await orNotFound(classAsZip(database(), locals.person!, params.class));
  return new Response(zip, {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      'Cache-Control': 'private, no-store',
    },
  });
};
