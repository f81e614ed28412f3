<script lang="ts">
  import Bell from '@lucide/svelte/icons/bell';
  import { page } from '$app/state';
  import { noticeTexts as notices } from '$lib/texts/notices';
  import type { Person } from '$lib/server/platform/auth/access';
  import { frameTexts as say } from '$lib/texts/frame';

  interface Props {
    person: Person;
    /** How many notices the person has not seen. */
    unseen: number;
  }
  let { person, unseen }: Props = $props();

  const places = {
    student: [['/home', say.home]],
    teacher: [
      ['/class', say.classes],
      ['/review', say.review],
      ['/queue', say.queue],
      ['/print-room', say.printRoom],
    ],
    helper: [
      ['/queue', say.queue],
      ['/print-room', say.printRoom],
    ],
  } as const;
  /** Pages that are reached from one of these places. */
  const within: Partial<Record<string, readonly string[]>> = {
    '/class': ['/brief', '/lesson', '/limits', '/library', '/gallery', '/staff', '/log'],
    '/home': ['/bench', '/gallery'],
    '/print-room': ['/spools', '/printers', '/machines'],
  };
</script>

<header
  class="touchable print:hidden border-hairline flex h-(--bar-height) shrink-0 flex-wrap items-center gap-x-6 border-b bg-white px-4"
>
  <a href="/" class="flex items-center gap-2 text-lg font-bold">
    <img src="/icon.svg" alt="" class="h-6 w-6" />Kelbrin
  </a>
  <!-- On a phone the places have a line of their own. -->
  <nav
    class="flex gap-1 whitespace-nowrap max-sm:order-last max-sm:-mx-2 max-sm:w-full max-sm:overflow-x-auto max-sm:py-1"
    aria-label={say.main}
  >
    {#each places[person.role] as [href, label] (href)}
      {@const isHere = [href, ...(within[href] ?? [])].some((each) => page.url.pathname.startsWith(each))}
      <a
        {href}
        aria-current={isHere ? 'page' : undefined}
        class="rounded px-3 py-1 max-sm:px-2 {isHere
          ? 'bg-primary-50 text-primary-800 font-semibold'
          : 'hover:bg-ground'}"
      >
        {label}
      </a>
    {/each}
  </nav>
  <a
    href="/notices"
    class="hover:bg-ground relative ml-auto rounded p-1.5"
    aria-label={unseen > 0 ? notices.unseen(unseen) : notices.title}
    title={notices.title}
  >
    <Bell size={18} aria-hidden="true" />
    {#if unseen > 0}
      <span
        class="bg-primary-700 measured absolute -top-0.5 -right-1 min-w-4 rounded-full px-1 text-center text-xs leading-4 text-white"
        aria-hidden="true">{unseen > 99 ? '99+' : unseen}</span
      >
    {/if}
  </a>
  <!-- Whoever signs in next in this window finds nothing of what was written in it. -->
  <form
    method="POST"
    action="/sign-out"
    class="flex items-center gap-3"
    onsubmit={() => sessionStorage.clear()}
  >
    <a
      href="/account"
      class="text-ink-soft hover:bg-ground rounded px-2 py-1 underline decoration-dotted underline-offset-2"
      title={say.account}>{person.name}</a
    >
    <button class="hover:bg-ground rounded px-2 py-1 underline underline-offset-2">{say.signOut}</button>
  </form>
</header>
