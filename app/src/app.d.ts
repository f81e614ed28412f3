import type { Person } from '$lib/server/platform/auth/access';

declare global {
  namespace App {
    interface Locals {
      /** Who is signed in; undefined on public pages alone. */
      person?: Person;
    }
    interface PageData {
      person?: Person;
    }
  }
}
