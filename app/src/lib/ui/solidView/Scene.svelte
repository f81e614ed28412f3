<script lang="ts">
  import { T, useTask, useThrelte } from '@threlte/core';
  import { untrack } from 'svelte';
  import { Vector3, type BufferGeometry, type Intersection, type Mesh } from 'three';
  import { boundsOf, type Box, type SolidMesh, type MeasuredEnd, type Vec3 } from '@kelbrin/core/mesh';
  import type { ColourBands } from '@kelbrin/core/colours';
  import type { OfferedEdge } from '@kelbrin/core/recipe';
  import type { Cut, SectionView } from '@kelbrin/core/solid';
  import CutFace from './CutFace.svelte';
  import EdgeLines from './EdgeLines.svelte';
  import { disposing } from './disposing.svelte';
  import { Eye } from './eye';
  import { Fineness } from './fineness';
  import { drawable, lines, setTones, tone, type Tone } from './geometry';
  import { cutOff, cutPlane, paintMaterial, partMaterial } from './materials';
  import { edgeNear, endNear, hitsOn, type Press } from './nearPress';
  import { disposeNote, noteSprite, sizeNote, type Note } from './notes';
  import type { LinkedView } from './linkedView.svelte';
  import { Outlook } from './outlook';
  import MeasuredWay from './MeasuredWay.svelte';
  import type { PointedAt } from './pointedAt';
  import { hearPresses } from './presses';
  import Plate from './Plate.svelte';
  import SupportLines from './SupportLines.svelte';
  import { hasOutgrown, type Look } from './views';

  interface Props {
    /** Whether the processor draws, for want of a graphics card. */
    isSoftware: boolean;
    isSmall: boolean;
    mesh: SolidMesh;
    edges: Float32Array;
    colour: string;
    /** The colours that the part is wished in, from the plate up. */
    colours: ColourBands;
    plateMm: readonly [number, number];
    toneOf: (triangle: number) => Tone;
    cut?: Cut;
    section?: SectionView;
    /** Which way to look; looking anew, also the same way, counts up `turns`. */
    view: Look;
    /** Whether it is seen as it is drawn, without perspective. */
    isParallel: boolean;
    /** Which part it is; another one is looked at whole. */
    partId?: string;
    /** The surface in colours that tell something, to be shown in place of the filament's. */
    painted?: BufferGeometry;
    onpick?(triangle: number | undefined): void;
    /** The places that are measured between. */
    ends: readonly MeasuredEnd[];
    notes: readonly Note[];
    /** Hears of presses on the surface while places of it are wanted; nothing is picked then. */
    onpoint?(place: MeasuredEnd): void;
    /** Whether whole edges are wanted as well as places. */
    measuresEdges: boolean;
    /** Views that turn together with this one. */
    linked?: LinkedView;
    /** The lines of its supports. */
    supports?: Float32Array;
    /** Edges of the part that can be tapped. */
    offered: readonly OfferedEdge[];
    ontapedge?(at: number): void;
    /** Hears how the room is seen, whenever that changes. */
    onoutlook?(outlook: Outlook): void;
    /** Hears what a pointer rests on, and when it rests no more. */
    onrest?(on: PointedAt | undefined): void;
  }
  let {
    isSoftware,
    isSmall,
    mesh,
    edges,
    colour,
    colours,
    plateMm,
    toneOf,
    cut,
    section,
    view,
    isParallel,
    partId,
    painted,
    onpick,
    ends,
    notes,
    onpoint,
    measuresEdges,
    linked,
    supports,
    offered,
    ontapedge,
    onoutlook,
    onrest,
  }: Props = $props();

  const { renderer, size, dom, dpr, invalidate } = useThrelte();
  renderer.localClippingEnabled = true;

  /** Whether somebody holds the view, or a handle or a number somewhere else on the page. */
  let isHeld = $state(false);

  const eye = new Eye(dom);
  const { camera, controls } = eye;
  const fineness = untrack(() =>
    isSoftware
      ? new Fineness(
          (ratio) => dpr.set(ratio),
          () => isHeld,
        )
      : undefined,
  );
  controls.addEventListener('change', () => {
    fineness?.stirred(isSmall);
    isBelow = camera.position.z < 0;
    invalidate();
    if (linked && !isFollowing) {
      const [eye, target] = [plain(camera.position), plain(controls.target)];
      linked.standpoint = { eye, target, turns: untrack(() => view.turns), by: controls };
    }
  });
  /** While another view turns this one, it does not turn the other back. */
  let isFollowing = false;
  $effect(() => {
    const there = linked?.standpoint;
    if (!there || there.by === controls) return;
    isFollowing = true;
    camera.position.set(...there.eye);
    controls.target.set(...there.target);
    controls.update();
    isFollowing = false;
    invalidate();
  });
  let outlook: Outlook | undefined;
  // Before a frame is drawn the camera stands where it is drawn from.
  useTask(
    () => {
      const { width, height } = size.current;
      // Behind a tab there is no room, and nothing has a place in it.
      if (!onoutlook || width === 0 || height === 0) return;
      camera.updateMatrixWorld();
      const now = Outlook.of(camera, width, height);
      if (now.equals(outlook)) return;
      outlook = now;
      onoutlook(now);
    },
    { autoInvalidate: false },
  );
  /** From below, the plate would hide the part. */
  let isBelow = $state(false);

  const plane = cutPlane();
  const { material, paint: paintPart } = partMaterial(plane);
  const paint = paintMaterial(plane);
  let part = $state.raw<Mesh>();

  const geometry = $derived(drawable(mesh));
  const edgeLines = $derived(lines(edges));

  $effect(() => {
    void geometry;
    fineness?.stirred(isSmall);
    return () => fineness?.close();
  });
  disposing(() => [geometry, edgeLines]);
  disposing(() => [painted]);
  $effect(() => {
    void painted;
    invalidate();
  });
  const noteSprites = $derived(notes.map(noteSprite));
  $effect(() => {
    const held = noteSprites;
    return () => held.forEach(disposeNote);
  });
  $effect(() => {
    eye.open(isParallel);
    for (const sprite of noteSprites) sizeNote(sprite, Math.max(1, size.current.height), eye.openingDeg);
    invalidate();
  });
  $effect(() => {
    setTones(geometry, toneOf);
    invalidate();
  });
  $effect(() => {
    paintPart(colour, colours);
    cutOff(plane, cut);
    invalidate();
  });
  /** How often it had been looked anew when it was last looked, and how wide the view was for its height. */
  let last: { readonly turns: number; readonly aspect: number } | undefined;
  $effect(() => {
    const { turns } = view;
    const { width, height } = $size;
    if (width === 0 || height === 0) return;
    untrack(() => {
      const aspect = width / height;
      if (last?.turns === turns) eye.reframe(last.aspect, aspect);
      else look(aspect);
      last = { turns, aspect };
      invalidate();
    });
  });

  /** What the view was fitted to. */
  let fitted: { readonly box: Box; readonly partId: string | undefined } | undefined;
  $effect(() => {
    const held = new AbortController();
    const on = (type: string, isDown: boolean) =>
      addEventListener(type, () => (isHeld = isDown), { capture: true, signal: held.signal });
    on('pointerdown', true);
    on('pointerup', false);
    on('pointercancel', false);
    return () => held.abort();
  });
  // A part that has grown out of the view, or another part, is seen whole from where one looks.
  $effect(() => {
    const box = boundsOf(mesh);
    const isOther = fitted?.partId !== partId;
    if (isHeld || linked || !fitted || (!isOther && !hasOutgrown(fitted.box, box))) return;
    untrack(() => {
      const { width, height } = size.current;
      stand(eye.standpointFor({ here: true, turns: view.turns }, box, width / height)!);
    });
  });

  function look(aspect: number): void {
    const there = eye.standpointFor(view, boundsOf(mesh), aspect);
    if (!there) return;
    // Of views that turn together the one with the larger part decides, so that both are seen whole.
    const other = linked?.standpoint;
    if (other?.turns === view.turns) {
      const apart = new Vector3(...other.eye).distanceTo(new Vector3(...other.target));
      if (apart > there.eye.distanceTo(there.target)) return;
    }
    stand(there, 'last' in view);
  }

  function stand(there: NonNullable<ReturnType<Eye['standpointFor']>>, isBack = false): void {
    fitted = { box: boundsOf(mesh), partId };
    eye.stand(there, isBack);
    invalidate();
  }

  $effect(() => {
    const end = hearPresses(dom, {
      pressed(event) {
        const { hit, edge } = meant(event);
        if (edge !== undefined) return ontapedge?.(edge);
        if (!onpoint) return onpick?.(hit?.faceIndex ?? undefined);
        const end = endNear(pressAt(event), hit, geometry, measuresEdges ? edges : undefined);
        if (end) onpoint(end);
      },
      rests(event) {
        if (!onrest) return;
        const { hit, edge } = meant(event);
        const { left, top } = dom.getBoundingClientRect();
        const at = [event.clientX - left, event.clientY - top] as const;
        onrest({ triangle: hit?.faceIndex ?? undefined, edge, at });
      },
      leaves: () => onrest?.(undefined),
    });
    return () => {
      end();
      eye.close();
    };
  });

  /** What a press means: an edge that can be tapped, or a place of the surface. */
  function meant(event: PointerEvent): { hit?: Intersection; edge?: number } {
    const hit = hitAt(event);
    return { hit, edge: onpoint ? undefined : edgeNear(pressAt(event), offered, hit?.distance) };
  }

  const plain = ({ x, y, z }: Vector3): Vec3 => [x, y, z];

  const pressAt = (event: PointerEvent): Press => ({ camera, box: dom.getBoundingClientRect(), at: event });

  function hitAt(event: PointerEvent): Intersection | undefined {
    const isSeen = ({ point, faceIndex }: Intersection) =>
      plane.distanceToPoint(point) >= -1e-3 && toneOf(faceIndex ?? 0) !== tone.hidden;
    return part && hitsOn(pressAt(event), part).find(isSeen);
  }
</script>

<T is={camera} makeDefault />
<T.HemisphereLight args={['#ffffff', '#9aa19c', 2.1]} />
<T.DirectionalLight position={[-60, -120, 160]} intensity={1.6} />

<Plate {plateMm} isSeenThrough={isBelow} />

<T.Mesh {geometry} {material} bind:ref={part} visible={!painted} />
{#if painted}<T.Mesh geometry={painted} material={paint} />{/if}
<T.LineSegments geometry={edgeLines}>
  <T.LineBasicMaterial color="#22302e" transparent opacity={0.55} clippingPlanes={[plane]} />
</T.LineSegments>
{#if cut && section}<CutFace {cut} {section} />{/if}
{#if ends.length > 0}<MeasuredWay {ends} />{/if}
{#if supports}<SupportLines ends={supports} />{/if}
{#if offered.length > 0}<EdgeLines edges={offered} />{/if}
{#each noteSprites as sprite (sprite.uuid)}<T is={sprite} />{/each}
