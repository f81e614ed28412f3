import type { SupportMark } from '@kelbrin/core/inspect';
import type { Recipe } from '@kelbrin/core/recipe';
import type { Cut } from '@kelbrin/core/solid';
import type { ExportedFile, ExportWish, FromWorker, ReadDrawing, Setting, ToWorker } from './messages';

/** The part of a worker that the client uses, so that tests can stand in for it. */
export interface WorkerLike {
  postMessage(message: ToWorker): void;
  onmessage: ((event: MessageEvent<FromWorker>) => void) | null;
  terminate(): void;
}

/** What the bench hears by itself; a file that was written or read goes to whoever asked for it. */
export type Heard = Exclude<FromWorker, { kind: 'exported' | 'drawn' | 'portrait' }>;

/** A part whose solid is asked for: which one, and its recipe. */
export interface Wanted {
  readonly partId: string;
  readonly recipe: Recipe;
  /** The faces that supports are to keep away from, or to hold. */
  readonly supportMarks?: readonly SupportMark[];
  /** Whether it is one of many that somebody drags through. */
  readonly isDragged?: boolean;
}

/**
 * Keeps a worker busy with the latest recipe only.
 *
 * One evaluation runs at a time. Edits that come meanwhile replace each other, so that the next to run is always the
 * latest; and an answer to an older job than one already shown is dropped, so that a stale solid never paints over a
 * newer one. What is answered about a part is dropped as soon as another part is asked for.
 *
 * While something is dragged one more evaluation lies ready in the worker, so that it need not wait for the page, which draws
 * the last one meanwhile.
 */
export class SolidClient {
  #job = 0;
  #shown = 0;
  #next: Wanted | undefined;
  /** What was asked and is not answered yet, the oldest first. */
  #asked: { readonly job: number; readonly wanted: Wanted }[] = [];
  /** What the answer that is shown is about. */
  #about: Wanted | undefined;
  #sectionJob = 0;
  #layerJob = 0;
  #exportJob = 0;
  #remediesJob = 0;
  #thicknessJob = 0;
  #drawingJob = 0;
  #portraitJob = 0;
  #written: (file: ExportedFile) => void = () => {};
  #drawn: (read: ReadDrawing) => void = () => {};
  #portrayed: (png: Uint8Array<ArrayBuffer> | undefined) => void = () => {};
  readonly #worker: WorkerLike;
  readonly #setting: Setting;
  readonly #hear: (message: Heard, about: Wanted) => void;

  constructor(worker: WorkerLike, setting: Setting, hear: (message: Heard, about: Wanted) => void) {
    this.#worker = worker;
    this.#setting = setting;
    this.#hear = hear;
    worker.onmessage = ({ data }) => this.#answered(data);
  }

  /** Whether a state of a part waits for the one before it; what comes now would have to wait for both. */
  get isBehind(): boolean {
    return this.#asked.length > 1 || this.#next !== undefined;
  }

  /** Asks for the solid of a part. */
  show(wanted: Wanted): void {
    this.#next = wanted;
    this.#start();
  }

  /** Asks for the section of the solid that is shown. */
  cutAt(cut: Cut): void {
    this.#worker.postMessage({ kind: 'section', job: ++this.#sectionJob, cut });
  }

  /** Asks for the layer of the solid that is shown which is printed at a height; it is answered once that is sliced. */
  showLayer(zMm: number): void {
    this.#worker.postMessage({ kind: 'layer', job: ++this.#layerJob, zMm });
  }

  /** Asks for changes that mend a finding of the inspection that is shown; only the latest question is answered. */
  findRemedies(checkId: string, finding: number): void {
    this.#worker.postMessage({ kind: 'remedies', job: ++this.#remediesJob, checkId, finding });
  }

  /** Asks how thick the solid that is shown is everywhere. */
  measureThickness(upToMm: number): void {
    this.#worker.postMessage({ kind: 'thickness', job: ++this.#thicknessJob, upToMm });
  }

  /** Asks for a file of the solid that is shown; `written` hears of the latest wish alone. */
  export(wish: ExportWish, written: (file: ExportedFile) => void): void {
    this.#written = written;
    this.#worker.postMessage({ kind: 'export', job: ++this.#exportJob, wish });
  }

  /** Asks for the outlines of an SVG file; `drawn` hears of the latest file alone. */
  readDrawing(source: string, drawn: (read: ReadDrawing) => void): void {
    this.#drawn = drawn;
    this.#worker.postMessage({ kind: 'drawing', job: ++this.#drawingJob, source });
  }

  /** Asks for a small picture of a part; `portrayed` hears of the latest wish alone. */
  portray(recipe: Recipe, portrayed: (png: Uint8Array<ArrayBuffer> | undefined) => void): void {
    this.#portrayed = portrayed;
    this.#worker.postMessage({ kind: 'portrait', job: ++this.#portraitJob, recipe });
  }

  close(): void {
    this.#worker.terminate();
  }

  #start(): void {
    const wanted = this.#next;
    const last = this.#asked.at(-1)?.wanted;
    const isAhead = this.#asked.length === 1 && wanted?.isDragged && last?.isDragged;
    if (!wanted || (last && !isAhead)) return;
    this.#next = undefined;
    const job = ++this.#job;
    this.#asked.push({ job, wanted });
    this.#worker.postMessage({ kind: 'evaluate', job, ...wanted, ...this.#setting });
  }

  #answered(message: FromWorker): void {
    if (message.kind === 'section' || message.kind === 'layer') {
      const latest = message.kind === 'section' ? this.#sectionJob : this.#layerJob;
      if (message.job === latest) this.#pass(message);
      return;
    }
    if (message.kind === 'remedy' || message.kind === 'thickness') {
      const latest = message.kind === 'remedy' ? this.#remediesJob : this.#thicknessJob;
      // What is told of a solid that an edit has made old is of no use.
      if (message.job === latest && !this.#isRunning) this.#pass(message);
      return;
    }
    if (message.kind === 'exported') {
      if (message.job === this.#exportJob) this.#written(message.file);
      return;
    }
    if (message.kind === 'drawn') {
      if (message.job === this.#drawingJob) this.#drawn(message.read);
      return;
    }
    if (message.kind === 'portrait') {
      if (message.job === this.#portraitJob) this.#portrayed(message.png);
      return;
    }
    if (message.kind === 'estimate' || message.kind === 'inspected' || message.kind === 'progress') {
      // An estimate or a late inspection speaks of the solid that is shown, or it is of no use any more.
      if (message.job === this.#shown && !this.#isRunning) this.#pass(message);
      return;
    }
    const answered = this.#asked.find(({ job }) => job === message.job);
    this.#asked = this.#asked.filter(({ job }) => job > message.job);
    if (answered && message.job > this.#shown) {
      this.#shown = message.job;
      this.#about = answered.wanted;
      this.#pass(message);
    }
    this.#start();
  }

  get #isRunning(): boolean {
    return this.#asked.length > 0;
  }

  /** Passes an answer on, unless another part is wanted by now. */
  #pass(message: Heard): void {
    const about = this.#about;
    const wanted = this.#next ?? this.#asked.at(-1)?.wanted ?? about;
    if (about && wanted?.partId === about.partId) this.#hear(message, about);
  }
}
