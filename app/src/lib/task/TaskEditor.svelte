<script lang="ts">
  import Bold from '@lucide/svelte/icons/bold';
  import Heading from '@lucide/svelte/icons/heading';
  import ImagePlus from '@lucide/svelte/icons/image-plus';
  import Italic from '@lucide/svelte/icons/italic';
  import Link from '@lucide/svelte/icons/link';
  import List from '@lucide/svelte/icons/list';
  import ListOrdered from '@lucide/svelte/icons/list-ordered';
  import { Editor } from '@tiptap/core';
  import Image from '@tiptap/extension-image';
  import StarterKit from '@tiptap/starter-kit';
  import { Button } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import * as z from 'zod';
  import { TASK_PICTURES, taskText, type TaskText } from '$lib/shared/taskText';
  import { taskTexts as say } from '$lib/texts/task';
  import { sendFile } from '$lib/ui/send';
  import { smallerPicture } from '$lib/ui/smallerPicture';

  interface Props {
    label: string;
    task: TaskText;
    onchange(task: TaskText): void;
  }
  let { label, task, onchange }: Props = $props();

  const WEB_ADDRESS = /^https?:\/\/\S+$/i;
  const takenPicture = z.object({ hash: z.string() });

  let place: HTMLDivElement;
  let input = $state<HTMLInputElement>();
  let editor = $state.raw<Editor>();
  /** Goes up with every change of text or selection, so that the tools show what holds there. */
  let at = $state(0);
  let problem = $state('');
  /** A question that a tool asks before it does its work. */
  let question = $state<{ label: string; answer: string; then(answer: string): void }>();

  onMount(() => {
    editor = new Editor({
      element: place,
      // A task that says nothing yet still has a line to write on.
      content: task.content.length > 0 ? task : undefined,
      extensions: [
        // Only what a task can keep; pasted text loses all else.
        StarterKit.configure({
          blockquote: false,
          code: false,
          codeBlock: false,
          horizontalRule: false,
          strike: false,
          underline: false,
          heading: { levels: [3] },
          link: { openOnClick: false, autolink: false, isAllowedUri: (uri) => WEB_ADDRESS.test(uri) },
        }),
        Image.extend({
          // A picture that is pasted from a page is not the server's, so it is left out.
          parseHTML: () => [{ tag: `img[src^="${TASK_PICTURES}/"]` }],
        }),
      ],
      editorProps: {
        attributes: { role: 'textbox', 'aria-multiline': 'true', 'aria-label': label, class: 'task-text' },
      },
      onTransaction: () => at++,
      onUpdate({ editor: { state } }) {
        const read = taskText.safeParse(state.doc.toJSON());
        problem = read.success ? '' : `${read.error.issues[0].message}.`;
        if (read.success) onchange(read.data);
      },
    });
    return () => editor?.destroy();
  });

  const holds = (name: string) => at >= 0 && (editor?.isActive(name) ?? false);

  const tools = [
    { name: 'bold', label: say.bold, Icon: Bold, run: () => onText()?.toggleBold().run() },
    {
      name: 'italic',
      label: say.italic,
      Icon: Italic,
      run: () => onText()?.toggleItalic().run(),
    },
    {
      name: 'heading',
      label: say.heading,
      Icon: Heading,
      run: () => onText()?.toggleHeading({ level: 3 }).run(),
    },
    {
      name: 'bulletList',
      label: say.bullets,
      Icon: List,
      run: () => onText()?.toggleBulletList().run(),
    },
    {
      name: 'orderedList',
      label: say.numbers,
      Icon: ListOrdered,
      run: () => onText()?.toggleOrderedList().run(),
    },
    { name: 'link', label: say.link, Icon: Link, run: setLink },
  ];

  /**
   * A change of the text, which has the focus at once. The editor's own command gives it the focus at the next frame, and
   * what is typed before would go to the tool that was pressed.
   */
  function onText() {
    editor?.view.focus();
    return editor?.chain();
  }

  function setLink(): void {
    const before = (editor?.getAttributes('link').href as string | undefined) ?? '';
    question = {
      label: say.linkTo,
      answer: before,
      then(href) {
        const chain = onText()?.extendMarkRange('link');
        problem = '';
        if (href === '') chain?.unsetLink().run();
        else if (WEB_ADDRESS.test(href)) chain?.setLink({ href }).run();
        else problem = say.notALink;
      },
    };
  }

  function answerQuestion(): void {
    const asked = question;
    question = undefined;
    asked?.then(asked.answer.trim());
  }

  async function addPicture({ currentTarget }: { currentTarget: HTMLInputElement }): Promise<void> {
    const file = currentTarget.files?.[0];
    currentTarget.value = '';
    if (!file) return;
    try {
      const { hash } = takenPicture.parse(await sendFile('/brief/picture', await smallerPicture(file)));
      problem = '';
      const src = `${TASK_PICTURES}/${hash}`;
      question = {
        label: say.pictureWords,
        answer: '',
        then: (alt) => onText()?.setImage({ src, alt }).run(),
      };
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    }
  }
</script>

{#snippet tool(label: string, Icon: typeof Bold, isOn: boolean | undefined, onclick: () => void)}
  <button
    type="button"
    class="hover:bg-ground rounded p-1.5 {isOn ? 'bg-primary-100 text-primary-800' : ''}"
    aria-label={label}
    title={label}
    aria-pressed={isOn}
    {onclick}
  >
    <Icon size={16} />
  </button>
{/snippet}

<div class="border-hairline rounded-lg border bg-white">
  <div
    class="border-hairline flex gap-1 border-b px-2 py-1"
    role="toolbar"
    aria-label={say.tools}
    aria-controls="task"
  >
    {#each tools as { name, label, Icon, run } (name)}
      {@render tool(label, Icon, holds(name), run)}
    {/each}
    {@render tool(say.picture, ImagePlus, undefined, () => input?.click())}
  </div>
  {#if question}
    <div class="border-hairline bg-primary-50 flex items-end gap-2 border-b px-3 py-2">
      <label class="flex-1 text-sm">
        {question.label}
        <!-- What a tool asks is answered where it asks. -->
        <!-- svelte-ignore a11y_autofocus -->
        <input
          class="border-hairline mt-1 w-full rounded border bg-white px-2 py-1"
          maxlength={200}
          autofocus
          bind:value={question.answer}
          onkeydown={(event) => {
            if (event.key === 'Escape') question = undefined;
            if (event.key !== 'Enter') return;
            // Enter would send the form that the editor stands in.
            event.preventDefault();
            answerQuestion();
          }}
        />
      </label>
      <Button type="button" size="xs" onclick={answerQuestion}>{say.ok}</Button>
      <Button type="button" size="xs" color="alternative" onclick={() => (question = undefined)}
        >{say.cancel}</Button
      >
    </div>
  {/if}
  <div bind:this={place} id="task" class="task-editor px-3 py-2"></div>
</div>
<input
  bind:this={input}
  type="file"
  accept="image/*"
  class="hidden"
  aria-label={say.picture}
  onchange={addPicture}
/>
{#if problem}<p role="alert" class="text-fail mt-1 text-sm">{problem}</p>{/if}
