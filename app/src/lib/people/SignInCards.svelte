<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { people as say } from '$lib/texts/people';

  interface Props {
    className: string;
    code: string;
    /** Where one signs in. */
    address: string;
    cards: readonly { readonly name: string; readonly signInName: string; readonly pin: string }[];
    ondone(): void;
  }
  let { className, code, address, cards, ondone }: Props = $props();
</script>

<section class="sheet mb-6 p-4 print:m-0 print:border-0 print:p-0" aria-label={say.cardsTitle}>
  <div class="mb-3 flex items-start gap-4 print:hidden">
    <div>
      <h2>{say.cardsTitle}</h2>
      <p class="text-ink-soft max-w-3xl">{say.cardsOnce}</p>
    </div>
    <div class="ml-auto flex gap-2">
      <Button onclick={() => window.print()}>{say.print}</Button>
      <Button color="alternative" onclick={ondone}>{say.done}</Button>
    </div>
  </div>
  <ul class="grid grid-cols-3 gap-3 max-[900px]:grid-cols-2 print:grid-cols-2 print:gap-0">
    {#each cards as { name, signInName, pin } (signInName)}
      <li
        class="border-hairline break-inside-avoid rounded border p-3 print:rounded-none print:border-dashed"
      >
        <p class="text-ink-soft text-sm">{className}</p>
        <p class="text-lg font-bold">{name}</p>
        <p class="mt-1 text-sm">{say.cardHow(address)}</p>
        <dl class="mt-1 grid grid-cols-[auto_1fr] gap-x-3">
          <dt class="text-ink-soft">{say.classCode}</dt>
          <dd class="measured">{code}</dd>
          <dt class="text-ink-soft">{say.name.toLowerCase()}</dt>
          <dd class="measured">{signInName}</dd>
          <dt class="text-ink-soft">{say.pin}</dt>
          <dd class="measured">{pin}</dd>
        </dl>
      </li>
    {/each}
  </ul>
</section>
