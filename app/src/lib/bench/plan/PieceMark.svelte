<script lang="ts">
  import { extentOf } from '@kelbrin/core/plane';
  import type { LaidPiece } from '@kelbrin/core/recipe';
  import { pathOf, toPixels, type Sheet } from './sheet';

  /** A piece on the sheet, with its letter and its copies. */
  interface Props {
    piece: LaidPiece;
    letter: string;
    /** The first piece is the ground for the others, whatever it would do among them. */
    isGround: boolean;
    isMarked: boolean;
    sheet: Sheet;
    onbegin(event: PointerEvent & { currentTarget: Element }): void;
    onopen(): void;
  }
  let { piece, letter, isGround, isMarked, sheet, onbegin, onopen }: Props = $props();

  /** What a piece does is told by its line: added in one stroke, left out in dashes, kept in dashes and dots. */
  const dashes = { and: undefined, without: '5 4', within: '9 3 2 3' } as const;
  const dash = $derived(dashes[isGround ? 'and' : piece.how]);
  const corner = $derived.by(() => {
    const { x, y } = extentOf(piece.own);
    return toPixels(sheet, [x.low, y.high]);
  });
</script>

{#each piece.copies.slice(1) as copy, at (at)}
  <path
    d={pathOf(sheet, copy)}
    fill="none"
    stroke="var(--color-primary-400)"
    stroke-dasharray={dash}
    pointer-events="none"
  />
{/each}
<g role="presentation" class="cursor-move" data-piece={letter} onpointerdown={onbegin} ondblclick={onopen}>
  <path
    d={pathOf(sheet, piece.own)}
    fill="var(--color-primary-700)"
    fill-opacity={isMarked ? 0.16 : 0.01}
    fill-rule="evenodd"
    stroke="var(--color-primary-700)"
    stroke-width={isMarked ? 2 : 1.2}
    stroke-dasharray={dash}
  />
  <circle cx={corner[0]} cy={corner[1]} r="18" fill="transparent" />
  <circle
    cx={corner[0]}
    cy={corner[1]}
    r="10"
    fill={isMarked ? 'var(--color-primary-700)' : '#fff'}
    stroke="var(--color-primary-700)"
    stroke-width="1.6"
  />
  <text
    x={corner[0]}
    y={corner[1]}
    text-anchor="middle"
    dominant-baseline="central"
    class="measured text-xs"
    fill={isMarked ? '#fff' : 'var(--color-primary-800)'}>{letter}</text
  >
</g>
