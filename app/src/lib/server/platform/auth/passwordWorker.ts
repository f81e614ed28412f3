import { randomBytes, scryptSync, timingSafeEqual } from 'node:crypto';

/** What the password worker is asked: to hash a password, or whether one belongs to a hash. */
export interface PasswordTask {
  readonly password: string;
  readonly hash?: string;
}

/** The costs that every stored hash was made with (scrypt, RFC 7914). */
const COSTS = { N: 16_384, r: 16, p: 1, maxmem: 64 * 1024 * 1024 };
const KEY_BYTES = 64;

/** Carries out one task; the hash of a password, or whether it is the right one. A hash is `salt:key`, both as hexadecimal. */
export default function carryOut({ password, hash }: PasswordTask): string | boolean {
  if (hash === undefined) {
    const salt = randomBytes(16).toString('hex');
    return `${salt}:${keyOf(password, salt).toString('hex')}`;
  }
  const [salt, key] = hash.split(':');
  const wanted = Buffer.from(key ?? '', 'hex');
  return wanted.length === KEY_BYTES && timingSafeEqual(keyOf(password, salt), wanted);
}

function keyOf(password: string, salt: string): Buffer {
  return scryptSync(password.normalize('NFKC'), salt, KEY_BYTES, COSTS);
}
