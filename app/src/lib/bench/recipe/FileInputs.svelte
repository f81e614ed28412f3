<script lang="ts" module>
  import * as z from 'zod';

  /** What the server answers to a file. */
  const takenFile = z.object({
    hash: z.string(),
    unit: z.enum(['mm', 'cm', 'm', 'in']),
    notes: z.array(z.string()),
  });
</script>

<script lang="ts">
  import { FormatError, recipeInThreeMf, sentFile } from '@kelbrin/core/format';
  import { tooLargeWords } from '$lib/shared/tooLarge';
  import { parseDesign } from '@kelbrin/core/design';
  import { parseRecipe, type FieldPath, type Token } from '@kelbrin/core/recipe';
  import type { BenchState } from '../state/bench.svelte';
  import { sendFile } from '$lib/ui/send';
  import { benchTexts as texts } from '$lib/texts/bench';

  interface Props {
    bench: BenchState;
    projectId: string;
  }
  let { bench, projectId }: Props = $props();

  /** As much as the server takes of a project. */
  const LARGEST_DESIGN_BYTES = 500_000;
  const LARGEST_DRAWING_BYTES = 4_000_000;

  let drawing = $state<HTMLInputElement>();
  let mesh = $state<HTMLInputElement>();
  let part = $state<HTMLInputElement>();
  /** The field that the file is for. */
  let target: { stepId: string; path: FieldPath } | undefined;

  /** Asks for the file of a field: a drawing, or a mesh. */
  export function choose(stepId: string, token: Extract<Token, { type: 'drawing' | 'face' | 'file' }>): void {
    target = { stepId, path: token.path };
    (token.type === 'drawing' ? drawing : mesh)?.click();
  }

  /** Asks for a file with a recipe inside, which becomes a part. */
  export function choosePart(): void {
    target = undefined;
    part?.click();
  }

  /** The chosen file; the input is emptied, so that the same file can be chosen again. */
  function taken({ currentTarget: input }: { currentTarget: HTMLInputElement }): File | undefined {
    const file = input.files?.[0];
    input.value = '';
    return file;
  }

  function say(message: string): void {
    bench.problem = { ...target, message };
  }

  async function readDrawing(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
    const file = taken(event);
    if (!file || !target) return;
    const { stepId, path } = target;
    if (file.size > LARGEST_DRAWING_BYTES) return say(texts.drawingTooLarge(file.name));
    bench.showing.readDrawing(await file.text(), (read) => {
      if (!read.ok) return say(`${file.name}: ${read.reason}.`);
      const { outlines, widthMm, notes } = read.drawing;
      const name = file.name.slice(0, 80);
      bench.setField(stepId, path, { shape: 'svg', name, widthMm: Math.min(1000, widthMm), outlines });
      bench.fileNotes = { stepId, notes };
    });
  }

  async function readPart(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
    const file = taken(event);
    if (!file) return;
    if (/\.json$/i.test(file.name)) return openDesign(file);
    try {
      const words = recipeInThreeMf(new Uint8Array(await file.arrayBuffer()));
      if (words === undefined) return say(texts.noRecipeIn(file.name));
      const parsed = parseRecipe(JSON.parse(words));
      if (!parsed.ok) return say(`${file.name}: ${parsed.problem.message}`);
      bench.parts.add({ name: file.name.replace(/\.3mf$/i, ''), recipe: parsed.recipe });
    } catch (error) {
      if (error instanceof FormatError) return say(`${file.name}: ${error.message}.`);
      if (error instanceof SyntaxError) return say(texts.recipeDamaged(file.name));
      throw error;
    }
  }

  /** Opens a project that was kept as a file, in the place of what is shown; undo leads back. */
  async function openDesign(file: File): Promise<void> {
    if (file.size > LARGEST_DESIGN_BYTES) return say(texts.projectTooLarge(file.name));
    const data: unknown = await file
      .text()
      .then(JSON.parse)
      .catch(() => undefined);
    if (data === undefined) return say(texts.fileDamaged(file.name));
    const parsed = parseDesign(data);
    if (!parsed.ok) return say(`${file.name}: ${parsed.problem.message}`);
    bench.replace(parsed.design);
  }

  /** Has the server take a mesh in, and puts it into the step that asked for it. */
  async function sendMesh(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
    const file = taken(event);
    if (!file || !target) return;
    const { stepId } = target;
    if (file.size > sentFile.bytes) return say(tooLargeWords(file.name, sentFile.bytes));
    let read: z.infer<typeof takenFile>;
    try {
      read = takenFile.parse(await sendFile(`/bench/${projectId}/files`, file));
    } catch (problem) {
      return say(problem instanceof z.ZodError ? texts.notTaken(file.name) : (problem as Error).message);
    }
    const { hash, unit, notes } = read;
    bench.setFields(stepId, [
      { path: ['asset'], value: hash },
      { path: ['fileName'], value: file.name.slice(0, 80) },
      { path: ['unit'], value: unit },
    ]);
    bench.fileNotes = { stepId, notes };
  }
</script>

<input
  bind:this={drawing}
  type="file"
  accept=".svg,image/svg+xml"
  class="hidden"
  onchange={readDrawing}
  aria-label={texts.svgFile}
/>
<input
  bind:this={mesh}
  type="file"
  accept=".stl,.3mf,.obj,model/stl,model/3mf,model/obj"
  class="hidden"
  onchange={sendMesh}
  aria-label={texts.fileToImport}
/>
<input
  bind:this={part}
  type="file"
  accept=".3mf,.json,model/3mf,application/json"
  class="hidden"
  onchange={readPart}
  aria-label={texts.fileOfPart}
/>
