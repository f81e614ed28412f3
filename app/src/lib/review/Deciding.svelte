<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { CheckResult } from '@kelbrin/core/inspect';
  import type { Vec3 } from '@kelbrin/core/mesh';
  import type { Recipe } from '@kelbrin/core/recipe';
  import type { RemarkDraft } from '$lib/shared/remark';
  import { enhance, unless } from '$lib/ui/enhance';
  import { reviewTexts as say } from '$lib/texts/review';
  import ApproveForm from './ApproveForm.svelte';
  import Composer from './Composer.svelte';
  import type { Target } from './target';
  import type { Written } from './written';

  /** Where a teacher writes on a hand-in that waits, and sends it back or approves it. */
  interface Props {
    handIn: { readonly solidHash: string | null; readonly recipe: Recipe };
    student: string;
    /** The checks that fail, each of which has to be waived. */
    failing: readonly CheckResult[];
    target: Target;
    written: Written;
    marked?: string;
    kept: readonly { readonly id: string; readonly words: string }[];
    /** The place where a remark would stand without pressing one. */
    place?: Vec3;
    /** Ends when the remark was taken, or given back. */
    onadd(draft: RemarkDraft): Promise<void>;
    onkeep(words: string): void;
    onforget(keptId: string): void;
    /** A decision was held back, for a reason in a sentence. */
    onheld(reason: string): void;
  }
  let {
    handIn,
    student,
    failing,
    target = $bindable(),
    written = $bindable(),
    marked,
    kept,
    place,
    onadd,
    onkeep,
    onforget,
    onheld,
  }: Props = $props();

  let composer = $state<ReturnType<typeof Composer>>();
  let approving = $state<ReturnType<typeof ApproveForm>>();
  let sending = $state<HTMLDivElement>();

  /** Ends when all remarks that are on their way were taken, or given back. */
  let adding: Promise<unknown> = Promise.resolve();

  const remarkWaits = $derived(target.kind !== 'whole' && written.remark.trim() !== '');
  const wordsWait = $derived(remarkWaits || written.comment.trim() !== '');

  /** Puts the cursor where what comes next is written. */
  export function focus(): void {
    composer?.focus();
  }

  /** Approves; where something fails, asks first why it may. */
  export async function approve(): Promise<void> {
    if (!(await holdsApproval())) await approving?.approve();
  }

  function add(draft: RemarkDraft): void {
    adding = Promise.all([adding, onadd(draft)]);
  }

  async function holdsApproval(): Promise<boolean> {
    await adding;
    return isHeld(wordsWait && say.wordsWait(student));
  }

  async function holdsSending(): Promise<boolean> {
    await adding;
    return isHeld(remarkWaits && say.remarkWaits);
  }

  /** Whether a decision has to wait, since words would be lost with it; says so and leads to them. */
  function isHeld(reason: string | false): boolean {
    if (reason === false) return false;
    onheld(reason);
    focus();
    return true;
  }
</script>

<Composer
  bind:this={composer}
  bind:target
  bind:written
  recipe={handIn.recipe}
  {marked}
  {kept}
  {place}
  onadd={add}
  {onkeep}
  {onforget}
  onsaid={() => sending?.querySelector('button')?.focus()}
/>
<!-- In sight however much is said above it, but for reasons that are asked for, which need the room themselves. -->
<div
  class="bg-ground -mx-4 -bottom-4 -mb-4 flex flex-col gap-2 p-4 pt-1"
  class:sticky={failing.length === 0}
  bind:this={sending}
>
  <form method="POST" action="?/sendBack" use:enhance={unless(holdsSending)}>
    <input type="hidden" name="comment" value={written.comment} />
    <Button type="submit" color="alternative" class="w-full">{say.sendBack}</Button>
  </form>
  <ApproveForm
    bind:this={approving}
    bind:written
    solidHash={handIn.solidHash}
    {failing}
    isHeld={holdsApproval}
  />
</div>
