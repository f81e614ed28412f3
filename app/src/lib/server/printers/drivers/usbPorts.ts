import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { serverConfig } from '../../platform/basics/config.ts';

/** Names under which a port of the machine is found: by what is plugged in, and if that says nothing, by number. */
const BY_ID = '/dev/serial/by-id';
const NUMBERED = /^tty(USB|ACM)\d+$/;

/**
 * The ports that a printer can be plugged into, now: those that the system names by what is plugged in, which stay the same
 * whichever socket is used, then those by number, and those of the folder that the server's settings name.
 */
export async function usbPorts(ownFolder = serverConfig().KELBRIN_PORTS): Promise<string[]> {
  const [named, numbered, own] = await Promise.all([
    namesIn(BY_ID),
    namesIn('/dev'),
    ownFolder === undefined ? [] : namesIn(ownFolder),
  ]);
  return [
    ...named.map((name) => join(BY_ID, name)),
    ...numbered.filter((name) => NUMBERED.test(name)).map((name) => join('/dev', name)),
    ...own.map((name) => join(ownFolder!, name)),
  ];
}

/** Whether a path can be a port, whether anything is plugged in there now or not. No other file is ever opened. */
export function canBePort(path: string, ownFolder = serverConfig().KELBRIN_PORTS): boolean {
  const at = path.lastIndexOf('/');
  const [folder, name] = [path.slice(0, at), path.slice(at + 1)];
  if (name === '' || name.startsWith('.')) return false;
  if (folder === '/dev') return NUMBERED.test(name);
  return folder === BY_ID || folder === ownFolder;
}

/** What lies in a folder; nothing where there is none. */
async function namesIn(folder: string): Promise<string[]> {
  try {
    return (await readdir(folder)).sort();
  } catch {
    return [];
  }
}
