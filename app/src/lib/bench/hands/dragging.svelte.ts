import { pointedInPlane, pointedOnLine, type Box, type Vec3 } from '@kelbrin/core/mesh';
import { axes, axisIndex, type Axis, type End, type FieldChange, type Sizing, type SpaceHandle } from '@kelbrin/core/recipe'; // oxfmt-ignore
import type { Outlook, Px } from '../../ui/solidView/outlook';
import { coalesce } from '../plan/coalesce';
import { gridFor, snapped, snappedBody, type SnapLine } from '../plan/snap';

/** Lines catch what comes as near as this. */
const REACH_PX = 6;

/** An end of a size, in the room. */
export interface SizeEnd {
  readonly size: Sizing;
  readonly end: End;
  readonly at: Vec3;
}

/** What is dragged: a handle, or the end of a size. */
export type Held = SpaceHandle | SizeEnd;

/** What dragging needs to know of the step that is at hand. */
interface AtHand {
  readonly box: Box;
  /** How the space is seen in which the step was made. */
  readonly outlook: Outlook;
  /** The places along an axis that dragging likes to end at. */
  lines(axis: Axis): readonly SnapLine[];
  /** Hears what the sentence says now; changes of one drag belong together. */
  change(changes: readonly FieldChange[], gesture: number): void;
  /** Whether what the sentence said last still waits to be built. */
  isBehind(): boolean;
}

/** One thing at a time that is dragged on the solid. While it is, it is seen as it was when it was taken. */
export class Dragging {
  /** What has caught what is dragged. */
  caught = $state.raw<readonly SnapLine[]>([]);
  /** Where the pointer is that drags, px. */
  pointer = $state.raw<Px>();
  held = $state.raw<Held>();
  #at: AtHand | undefined;
  /** How far beside the place that the handle stands for it was taken, mm. */
  #off: Vec3 = [0, 0, 0];
  #gesture = 0;
  #hasChanged = false;

  begin(held: Held, at: AtHand, pointer: Px): void {
    const place = placeOf(held, at.outlook, pointer);
    if (!place) return;
    this.held = held;
    this.#at = at;
    this.#off = [place[0] - held.at[0], place[1] - held.at[1], place[2] - held.at[2]];
    this.#gesture = performance.now();
    this.#hasChanged = false;
    this.pointer = pointer;
  }

  move(pointer: Px, isFree: boolean): void {
    if (this.held) this.#follow({ pointer, isFree });
  }

  /** Lets go. Hands back whether anything was changed. */
  end(): boolean {
    this.#follow.finish();
    this.held = this.#at = this.pointer = undefined;
    this.caught = [];
    return this.#hasChanged;
  }

  readonly #follow = coalesce(
    ({ pointer, isFree }: { pointer: Px; isFree: boolean }) => {
      const [held, at] = [this.held, this.#at];
      if (!held || !at) return;
      this.pointer = pointer;
      const place = placeOf(held, at.outlook, pointer);
      if (!place) return;
      const off = this.#off;
      const to: Vec3 = [place[0] - off[0], place[1] - off[1], place[2] - off[2]];
      const changes = this.#changes(held, at, to, isFree);
      if (changes.length === 0) return;
      this.#hasChanged = true;
      at.change(changes, this.#gesture);
    },
    () => !this.#at?.isBehind(),
  );

  #changes(held: Held, at: AtHand, to: Vec3, isFree: boolean): FieldChange[] {
    const { box, outlook } = at;
    const pxPerMm = outlook.pxPerMm(held.at);
    const gridMm = isFree ? 0.1 : gridFor(pxPerMm);
    const reachMm = REACH_PX / pxPerMm;
    const lines = (axis: Axis) => (isFree ? [] : at.lines(axis));
    if ('size' in held) {
      const { axis } = held.size;
      const end = snapped(to[axisIndex[axis]], lines(axis), reachMm, gridMm);
      this.caught = end.line ? [end.line] : [];
      return held.size.dragged(held.end, end.at);
    }
    if (held.kind === 'turn') return held.to(to);
    const { way } = held;
    const moved = axes.filter((axis) => ('along' in way ? axis === way.along : axis !== way.across));
    const caught: SnapLine[] = [];
    const place = [...to];
    for (const axis of moved) {
      const i = axisIndex[axis];
      // It is taken at its face; what is caught are its sides and its middle.
      const toMiddle = (box.min[i] + box.max[i]) / 2 - held.at[i];
      const body = snappedBody(to[i] + toMiddle, (box.max[i] - box.min[i]) / 2, lines(axis), reachMm, gridMm);
      place[i] = body.at - toMiddle;
      if (body.line) caught.push(body.line);
    }
    this.caught = caught;
    return held.to([place[0], place[1], place[2]]);
  }
}

/** The place in the room that a pointer drags something to; undefined where it is seen end on. */
function placeOf(held: Held, outlook: Outlook, pointer: Px): Vec3 | undefined {
  const sight = outlook.sightAt(pointer);
  const way = 'size' in held ? { along: held.size.axis } : held.way;
  const unit = (axis: Axis): Vec3 => [+(axis === 'x'), +(axis === 'y'), +(axis === 'z')];
  if ('along' in way) return pointedOnLine(held.at, unit(way.along), sight);
  return pointedInPlane(held.at, unit(way.across), sight);
}
