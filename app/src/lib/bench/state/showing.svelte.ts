import { withPrintNeeds, type Finding } from '@kelbrin/core/inspect';
import { printNeeds } from '@kelbrin/core/slice';
import type { Problem, Recipe } from '@kelbrin/core/recipe';
import type { Estimate } from '@kelbrin/core/slice';
import type { ExportedFile, ExportWish, Setting, ReadDrawing } from '../worker/messages';
import type { Cut } from '@kelbrin/core/solid';
import type { ShownPart } from './shownPart';
import { SolidClient, type Heard, type Wanted, type WorkerLike } from '../worker/solidClient';

/**
 * The part as it was last built, and what is being found out about it. What belongs to one state of the part is one value,
 * which is replaced whole.
 */
export class Showing {
  part = $state.raw<ShownPart>();
  /** Where the part is cut; undefined when it is not. */
  cut = $state.raw<Cut>();
  /** Whether the layer that is printed where it is cut is shown, for a level cut. */
  isPrinted = $state(false);

  #thicknessUpToMm: number | undefined;
  readonly #setting: Setting;
  readonly #client: SolidClient;
  readonly #onBuilt: (problem: Problem | undefined) => void;

  /** @param onBuilt hears when a part was built, or why it could not be */
  constructor(worker: WorkerLike, setting: Setting, onBuilt: (problem: Problem | undefined) => void) {
    this.#setting = setting;
    this.#onBuilt = onBuilt;
    this.#client = new SolidClient(worker, setting, (message, about) => this.#hear(message, about));
  }

  /** What printing takes: that of the solid that is shown, or until it is known, what it took before. */
  get estimate(): Estimate | undefined {
    return this.part?.estimate ?? this.part?.estimateBefore;
  }

  /** Whether the estimate is of the solid that is shown, and not of one shortly before. */
  get hasPrintNeeds(): boolean {
    return this.part?.estimate !== undefined;
  }

  /** Whether every check has answered for the solid that is shown. */
  get isChecked(): boolean {
    if (!this.part) return false;
    const { solid } = this.part;
    return solid.isInspected && (this.hasPrintNeeds || solid.mesh.triangles.length === 0);
  }

  /** Whether building is so far behind that what is asked for now would take the place of what waits already. */
  get isBehind(): boolean {
    return this.#client.isBehind;
  }

  /** Asks for a part to be built and shown. */
  ask(wanted: Wanted): void {
    this.#client.show(wanted);
  }

  /** Shows nothing, until another part is built. */
  clear(): void {
    this.part = this.cut = this.#thicknessUpToMm = undefined;
  }

  cutAt(cut: Cut | undefined): void {
    this.cut = cut;
    if (cut) this.#client.cutAt(cut);
    else this.#note({ section: undefined });
    this.#askLayer();
  }

  /** Shows the lines that are printed where the part is cut, or what the cut goes through. */
  showPrinted(isPrinted: boolean): void {
    this.isPrinted = isPrinted;
    this.#askLayer();
  }

  /** Looks for changes that mend a finding, or for none any more. */
  findRemedies(finding?: Finding): void {
    this.#note({ remedies: undefined });
    const check = this.part?.solid.inspection.checks.find(({ findings }) => findings.includes(finding!));
    if (!check || !finding) return;
    this.#note({ remedies: { found: [], isSearching: true } });
    this.#client.findRemedies(check.id, check.findings.indexOf(finding));
  }

  /** Shows how thick the part is, up to a thickness, or ends that. */
  showThickness(upToMm: number | undefined): void {
    this.#thicknessUpToMm = upToMm;
    this.#note({ thickness: undefined });
    if (upToMm !== undefined) this.#client.measureThickness(upToMm);
  }

  /** Asks for a file of the part. */
  export(wish: ExportWish, written: (file: ExportedFile) => void): void {
    this.#client.export(wish, written);
  }

  /** Asks for the outlines of an SVG file. */
  readDrawing(source: string, drawn: (read: ReadDrawing) => void): void {
    this.#client.readDrawing(source, drawn);
  }

  /** Asks for a small picture of a part that need not be the one that is shown. */
  portray(recipe: Recipe, portrayed: (png: Uint8Array<ArrayBuffer> | undefined) => void): void {
    this.#client.portray(recipe, portrayed);
  }

  close(): void {
    this.#client.close();
  }

  /** Asks for the layer at the cut, if it is to be seen; until it is there the one before is. */
  #askLayer(): void {
    if (this.isPrinted && this.cut?.across === 'z') this.#client.showLayer(this.cut.atMm);
    else this.#note({ layer: undefined });
  }

  /** Notes what was found out about the state that is shown. */
  #note(found: Partial<Omit<ShownPart, 'partId' | 'recipe'>>): void {
    if (this.part) this.part = { ...this.part, ...found };
  }

  #hear(message: Heard, about: Wanted): void {
    switch (message.kind) {
      case 'solid': {
        const estimateBefore = this.part?.partId === about.partId ? this.estimate : undefined;
        this.part = { ...about, solid: message.solid, estimateBefore };
        this.#onBuilt(undefined);
        if (this.#thicknessUpToMm !== undefined) this.#client.measureThickness(this.#thicknessUpToMm);
        if (this.cut) this.cutAt(this.cut);
        break;
      }
      case 'problem':
        this.#onBuilt(message.problem);
        break;
      case 'inspected': {
        if (!this.part) break;
        const { inspection, steps } = message;
        const solid = { ...this.part.solid, inspection, steps, isInspected: true };
        this.#note({ solid, progress: undefined });
        this.#applyPrintNeeds();
        break;
      }
      case 'progress':
        this.#note({ progress: message.progress });
        break;
      case 'estimate':
        this.#note({
          estimate: message.estimate,
          supports: message.supports,
          supportLines: message.supportLines,
        });
        this.#applyPrintNeeds();
        // Layers are there from now on.
        this.#askLayer();
        break;
      case 'section':
        if (this.cut) this.#note({ section: message.section });
        break;
      case 'layer':
        if (this.isPrinted) this.#note({ layer: message.layer });
        break;
      case 'remedy': {
        const remedies = this.part?.remedies;
        if (!remedies) break;
        this.#note({
          remedies: message.remedy
            ? { ...remedies, found: [...remedies.found, message.remedy] }
            : { ...remedies, isSearching: false },
        });
        break;
      }
      case 'thickness':
        if (this.#thicknessUpToMm !== undefined) this.#note({ thickness: message.map });
    }
  }

  /** Holds what the print takes against the card, now that it is known. */
  #applyPrintNeeds(): void {
    if (!this.part?.solid.isInspected || !this.part.estimate) return;
    const { solid, estimate } = this.part;
    const print = printNeeds(estimate, this.part.supports);
    const { limits, brief } = this.#setting;
    const inspection = withPrintNeeds(solid.inspection, print, limits, brief);
    this.#note({ solid: { ...solid, inspection } });
  }
}
