import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { serverConfig } from '../basics/config.ts';
import { database, type Database } from '../db/database.ts';
import * as schema from '../db/schema/index.ts';
import { hashPassword, verifyPassword } from './passwords.ts';

/**
 * Sessions and passwords. Its own web addresses are not served: pages sign people in and out through
 * `signIn.ts`, and there is no way to sign up, change an address or ask for a password from outside.
 */
function createAuth(db: Database) {
  const { ORIGIN, KELBRIN_SECRET } = serverConfig();
  return betterAuth({
    baseURL: ORIGIN,
    secret: KELBRIN_SECRET,
    database: drizzleAdapter(db, {
      provider: 'pg',
      schema: {
        user: schema.users,
        session: schema.sessions,
        account: schema.accounts,
        verification: schema.verifications,
      },
    }),
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: PIN_LENGTH,
      password: { hash: hashPassword, verify: verifyPassword },
    },
    user: { additionalFields: { role: { type: 'string', input: false } } },
    session: { expiresIn: 60 * 60 * 12, updateAge: 60 * 60 },
    advanced: {
      cookiePrefix: 'kelbrin',
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax' },
    },
    telemetry: { enabled: false },
    // A wrong PIN is no event for the log; it is counted in the database.
    logger: { level: 'error' },
  });
}

/** The number of digits of a student's PIN. */
export const PIN_LENGTH = 6;

let shared: ReturnType<typeof createAuth> | undefined;

/** The process's own sessions and passwords. */
export function auth(): ReturnType<typeof createAuth> {
  return (shared ??= createAuth(database()));
}
