import type { Cookies } from '@sveltejs/kit';
import { DEVICE_COOKIE, DEVICE_DAYS } from './server/platform/auth/knownDevices';

/** Has a browser keep the number by which it is known again. */
export function keepDevice(cookies: Cookies, url: URL, device: string): void {
  cookies.set(DEVICE_COOKIE, device, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    secure: url.protocol === 'https:',
    maxAge: DEVICE_DAYS * 24 * 3600,
  });
}
