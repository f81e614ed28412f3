import {
  CHANGE_S,
  CLEAR_S,
  type Attended,
  type Kind,
  type Loaded,
  type PinnedBatch,
  type PlannedPrinter,
  type WaitingPart,
  type WeekBatch,
  type WeekProblem,
} from './week.ts';

/** How a schedule is made of an order of parts; which of these is best is searched for. */
export interface Manner {
  /** So many places later in the order a part may stand and still go before one that needs other filament. */
  readonly changeRanks: number;
  /** In the last so many seconds of a day a print begins that runs overnight, if there is enough for it. */
  readonly lateS: number;
  /** No plate takes longer than this during the day; undefined where each takes its share of what is left. */
  readonly plateS: number | undefined;
}

/** In which order parts are taken, and where. */
export interface Wish {
  /** Indexes of the parts. */
  readonly order: readonly number[];
  /** The printer that a part is kept for, by the indexes of both; undefined where any will do. */
  readonly lanes: readonly (number | undefined)[];
}

/** A printer while its plates are put one after the other. */
interface Lane {
  readonly printer: PlannedPrinter;
  freeMs: number;
  /** The rolls on it, the one that was put on last at the end. */
  loaded: readonly Loaded[];
  /** What is pinned on it and does not lie there yet, the earliest first. */
  readonly pinned: PinnedBatch[];
}

/** The parts of one kind that are not on a plate yet, in the order that is asked for, with their places in it. */
interface Heap {
  readonly kind: Kind;
  parts: { readonly part: WaitingPart; readonly rank: number; readonly lane: PlannedPrinter | undefined }[];
}

/**
 * Puts parts on plates in the order that is given: of all printers the one that is free first takes what is first in the
 * order and can be printed on it, and fills its plate with more of that kind, as much as there is room and time for. Starts
 * only while somebody is there. What finds no room before the end is in no batch.
 */
export function schedule(problem: WeekProblem, wish: Wish, manner: Manner): WeekBatch[] {
  const byId = new Map(problem.parts.map((part) => [part.id, part]));
  const pinnedIds = new Set(problem.pinned.flatMap(({ parts }) => parts));
  const heaps = heapsOf(problem, wish, pinnedIds);
  const kinds = new Map(problem.kinds.map((kind) => [kind.id, kind]));
  const lanes = problem.printers.map((printer): Lane => ({
    printer,
    freeMs: Math.max(printer.freeMs, problem.nowMs),
    loaded: printer.loaded,
    pinned: problem.pinned
      .filter((pin) => pin.printer === printer.id && pin.parts.some((id) => byId.has(id)))
      .sort((a, b) => a.fromMs - b.fromMs),
  }));
  const batches: WeekBatch[] = [];
  /** Lanes on which nothing more finds a place. */
  const full = new Set<Lane>();
  for (;;) {
    const next = nextStart(lanes, full, problem.attended);
    if (!next) return batches;
    const { lane, startMs, slot } = next;
    const pin = lane.pinned[0];
    let batch = fill(lane, startMs, slot, heaps, lanes, manner, pin);
    if (!batch) {
      // Nothing fits in what is left of this time; the next one may be longer, and something may be put before it.
      const later = problem.attended.find(({ fromMs }) => fromMs >= slot.toMs);
      if (pin && !(later && later.fromMs < pin.fromMs))
        batch = putPinned(lane, pin, problem.attended, byId, kinds);
      else if (later) lane.freeMs = later.fromMs;
      else full.add(lane);
      if (!batch) continue;
    }
    if (batch.pinned !== undefined) lane.pinned.shift();
    batches.push(batch);
    lane.freeMs = batch.toMs + CLEAR_S * 1000;
    const { material, colour } = kinds.get(batch.kind)!;
    if (batch.changesFilament) lane.loaded = [...lane.loaded.slice(1), { material, colour }];
  }
}

function heapsOf(problem: WeekProblem, { order, lanes }: Wish, taken: ReadonlySet<string>): Heap[] {
  const heaps = new Map(problem.kinds.map((kind): [string, Heap] => [kind.id, { kind, parts: [] }]));
  for (const [rank, index] of order.entries()) {
    const part = problem.parts[index];
    if (!taken.has(part.id))
      heaps.get(part.kind)!.parts.push({ part, rank, lane: problem.printers[lanes[index] ?? -1] });
  }
  return [...heaps.values()];
}

/** The lane that can be started first, with when, and the time in which somebody is there for it. */
function nextStart(
  lanes: readonly Lane[],
  full: ReadonlySet<Lane>,
  attended: readonly Attended[],
): { lane: Lane; startMs: number; slot: Attended } | undefined {
  let first: { lane: Lane; startMs: number; slot: Attended } | undefined;
  for (const lane of lanes) {
    if (full.has(lane)) continue;
    const slot = attended.find(({ toMs }) => toMs > lane.freeMs);
    if (!slot) continue;
    const startMs = Math.max(lane.freeMs, slot.fromMs);
    if (!first || startMs < first.startMs) first = { lane, startMs, slot };
  }
  return first;
}

const isFor = ({ lane: wished }: Heap['parts'][number], { printer }: Lane) =>
  wished === undefined || wished === printer;

const needsChange = ({ loaded }: Lane, { material, colour }: Kind) =>
  !loaded.some((roll) => roll.material === material && (colour === undefined || colour === roll.colour));

/** The batch to start on a lane at a time, taken out of the heaps; undefined if nothing fits. */
function fill(
  lane: Lane,
  startMs: number,
  slot: Attended,
  heaps: readonly Heap[],
  lanes: readonly Lane[],
  manner: Manner,
  pin: PinnedBatch | undefined,
): WeekBatch | undefined {
  // Before what somebody put there the plate has to be clear.
  const endMs = pin ? pin.fromMs - CLEAR_S * 1000 : Infinity;
  let best: { heap: Heap; rank: number; beginMs: number; isChange: boolean } | undefined;
  for (const heap of heaps) {
    if (heap.parts.length === 0 || !lane.printer.kinds.includes(heap.kind.id)) continue;
    const isChange = needsChange(lane, heap.kind);
    const beginMs = startMs + (isChange ? CHANGE_S * 1000 : 0);
    const limitMs = Math.min(slot.aloneUntilMs, endMs) - beginMs - heap.kind.readyS * 1000;
    const head = heap.parts.find(
      (each) =>
        isFor(each, lane) && each.part.seconds * 1000 <= limitMs && each.part.areaMm2 <= lane.printer.areaMm2,
    );
    if (!head || beginMs >= slot.toMs) continue;
    const rank = head.rank + (isChange ? manner.changeRanks : 0);
    if (!best || rank < best.rank) best = { heap, rank, beginMs, isChange };
  }
  if (!best) return undefined;
  const { heap, beginMs, isChange } = best;
  // A plate that is done before somebody leaves is cleared, and makes room for one that runs overnight.
  const dayMs = Math.min(slot.toMs - CLEAR_S * 1000, endMs) - beginMs;
  const aloneMs = Math.min(slot.aloneUntilMs, endMs) - beginMs;
  const byDay = take(heap, lane, capped(dayMs, heap, lane, lanes, manner));
  const isLate = slot.toMs - beginMs <= manner.lateS * 1000;
  const alone = byDay.length === 0 || isLate ? take(heap, lane, aloneMs, isLate) : [];
  const chosen = alone.length > byDay.length || byDay.length === 0 ? alone : byDay;
  if (chosen.length === 0) return undefined;
  const ids = new Set(chosen);
  heap.parts = heap.parts.filter((each) => !ids.has(each));
  return batchOf(
    lane,
    heap.kind,
    beginMs,
    chosen.map(({ part }) => part),
    { isChange, slot, pinned: undefined },
  );
}

/** How long a plate may take by day, ms: no longer than the manner says, so that others have something to do as well. */
function capped(
  dayMs: number,
  { parts, kind }: Heap,
  lane: Lane,
  lanes: readonly Lane[],
  { plateS }: Manner,
): number {
  if (plateS !== undefined) return Math.min(dayMs, plateS * 1000);
  const beside = lanes.filter(
    (other) =>
      other.printer.kinds.includes(kind.id) && other.freeMs <= lane.freeMs && !needsChange(other, kind),
  ).length;
  const seconds = parts.reduce((sum, { part }) => sum + part.seconds, 0);
  const share = seconds / Math.max(1, beside) + kind.readyS;
  // A part is never cut in two: the longest decides what the least share is.
  const longest = Math.max(...parts.map(({ part }) => part.seconds)) + kind.readyS;
  return Math.min(dayMs, Math.max(share * 1.02, longest) * 1000);
}

/** The first parts of a heap that have room on a plate and end in time; what is too much is passed over. */
function take({ parts, kind }: Heap, lane: Lane, withinMs: number, isCalm = false): Heap['parts'] {
  const chosen: Heap['parts'] = [];
  let [area, seconds] = [0, kind.readyS];
  for (const each of parts) {
    if (!isFor(each, lane)) continue;
    const { areaMm2, seconds: takes, isRisky } = each.part;
    if (area + areaMm2 > lane.printer.areaMm2 || (seconds + takes) * 1000 > withinMs) continue;
    // What may fail is printed while somebody is there, if it can.
    if (isCalm && isRisky && chosen.length > 0) continue;
    chosen.push(each);
    area += areaMm2;
    seconds += takes;
  }
  return chosen;
}

function batchOf(
  lane: Lane,
  kind: Kind,
  beginMs: number,
  parts: readonly WaitingPart[],
  { isChange, slot, pinned }: { isChange: boolean; slot: Attended; pinned: string | undefined },
): WeekBatch {
  const seconds = parts.reduce((sum, part) => sum + part.seconds, kind.readyS);
  const toMs = beginMs + seconds * 1000;
  return {
    pinned,
    printer: lane.printer.id,
    kind: kind.id,
    fromMs: beginMs,
    toMs,
    parts: parts.map(({ id }) => id),
    grams: parts.reduce((sum, { grams }) => sum + grams, 0),
    isOvernight: toMs > slot.toMs,
    changesFilament: isChange,
  };
}

/** What somebody put on a lane: there it begins at that time, or as soon as its printer is free and somebody is there. */
function putPinned(
  lane: Lane,
  pin: PinnedBatch,
  attended: readonly Attended[],
  byId: ReadonlyMap<string, WaitingPart>,
  kinds: ReadonlyMap<string, Kind>,
): WeekBatch {
  const parts = pin.parts.flatMap((id) => byId.get(id) ?? []);
  const kind = kinds.get(parts[0].kind)!;
  const isChange = needsChange(lane, kind);
  const wishedMs = Math.max(pin.fromMs, lane.freeMs + (isChange ? CHANGE_S * 1000 : 0));
  const slot = attended.find(({ toMs }) => toMs > wishedMs) ?? attended.at(-1)!;
  const beginMs = Math.max(wishedMs, slot.fromMs);
  return batchOf(lane, kind, beginMs, parts, { isChange, slot, pinned: pin.id });
}
