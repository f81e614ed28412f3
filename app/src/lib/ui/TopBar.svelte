<script lang="ts">
  import { page } from '$app/state';
  import type { Person } from '$lib/server/auth/access';

  let { person }: { person: Person } = $props();

  const places = {
    student: [['/home', 'My projects']],
    teacher: [
      ['/class', 'Classes'],
      ['/review', 'Review'],
      ['/queue', 'Queue'],
      ['/print-room', 'Print room'],
    ],
    helper: [
      ['/queue', 'Queue'],
      ['/print-room', 'Print room'],
    ],
  } as const;
  /** Pages that are reached from one of these places. */
  const within: Partial<Record<string, readonly string[]>> = {
    '/class': ['/brief', '/lesson', '/limits', '/library'],
    '/home': ['/bench'],
  };
</script>

<header class="print:hidden border-hairline flex h-12 shrink-0 items-center gap-6 border-b bg-white px-4">
  <a href="/" class="flex items-center gap-2 text-lg font-bold">
    <img src="/icon.svg" alt="" class="h-6 w-6" />Kelbrin
  </a>
  <nav class="flex gap-1" aria-label="Main">
    {#each places[person.role] as [href, label] (href)}
      {@const isHere = [href, ...(within[href] ?? [])].some((each) => page.url.pathname.startsWith(each))}
      <a
        {href}
        aria-current={isHere ? 'page' : undefined}
        class="rounded px-3 py-1 {isHere
          ? 'bg-primary-50 text-primary-800 font-semibold'
          : 'hover:bg-ground'}"
      >
        {label}
      </a>
    {/each}
  </nav>
  <form method="POST" action="/sign-out" class="ml-auto flex items-center gap-3">
    <span class="text-ink-soft">{person.name}</span>
    <button class="hover:bg-ground rounded px-2 py-1 underline underline-offset-2">Sign out</button>
  </form>
</header>
