import { and, eq, sql } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { knownDevices } from '../db/schema/index.ts';
import { sha256 } from '../basics/sha256.ts';

/** Under which name a browser keeps the number by which it is known again. */
export const DEVICE_COOKIE = 'kelbrin.device';
/** For so long a browser is known in which nobody signs in. */
export const DEVICE_DAYS = 400;

/** The hash of a device's number, if somebody signed in on it before for this class or as this colleague. */
export async function knownDevice(
  db: Database,
  device: string | undefined,
  scope: string,
): Promise<string | undefined> {
  if (!device) return undefined;
  const deviceHash = sha256(device);
  const isRecent = sql`${knownDevices.usedAt} > now() - make_interval(days => ${DEVICE_DAYS})`;
  const found = await db.$count(
    knownDevices,
    and(eq(knownDevices.deviceHash, deviceHash), eq(knownDevices.scope, scope), isRecent),
  );
  return found > 0 ? deviceHash : undefined;
}

/** Notes that somebody has signed in on a device. */
export async function noteDevice(db: Database, device: string, scope: string): Promise<void> {
  await db
    .insert(knownDevices)
    .values({ deviceHash: sha256(device), scope })
    .onConflictDoUpdate({
      target: [knownDevices.deviceHash, knownDevices.scope],
      set: { usedAt: sql`now()` },
    });
}
