<script lang="ts">
  import { batchTexts as say } from '$lib/texts/batch';
  import { arrowMove } from '$lib/ui/arrowMove';

  /** The place at which the lines of a part begin, as a mark on the plate that is dragged, or moved by the arrow keys. */
  interface Props {
    student: string;
    /** Where it is on the plate, mm from its front left corner. */
    at: readonly [number, number];
    depthMm: number;
    /** Where a pointer is on the plate. */
    onPlate: (event: PointerEvent) => [number, number];
    /** The place on the part's outline that is nearest to one on the plate. */
    nearest: (at: readonly [number, number]) => readonly [number, number];
    put: (at: readonly [number, number]) => void;
  }
  let { student, at, depthMm, onPlate, nearest, put }: Props = $props();

  const SIZE_MM = 3;
  /** Where it is while it is dragged. */
  let held = $state.raw<readonly [number, number]>();
  const shown = $derived(held ?? at);

  function take(event: PointerEvent) {
    held = at;
    event.stopPropagation();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }
  function drag(event: PointerEvent, isDone: boolean) {
    if (!held) return;
    held = nearest(onPlate(event));
    if (!isDone) return;
    put(held);
    held = undefined;
  }
  function press(event: KeyboardEvent) {
    const by = arrowMove(event);
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    put([at[0] + by[0], at[1] + by[1]]);
  }
</script>

<g
  role="button"
  tabindex="0"
  aria-label={say.seamMark(student)}
  class="cursor-move"
  transform="translate({shown[0]} {depthMm - shown[1]})"
  onpointerdown={take}
  onpointermove={(event) => drag(event, false)}
  onpointerup={(event) => drag(event, true)}
  onkeydown={press}
>
  <!-- Wide enough for a finger. -->
  <circle r={2 * SIZE_MM} fill="transparent" />
  <path
    d="M 0 {-SIZE_MM} L {SIZE_MM} 0 L 0 {SIZE_MM} L {-SIZE_MM} 0 Z"
    fill="#E8C98A"
    stroke="#22302E"
    stroke-width="0.6"
  />
</g>
