import type { Area } from '../../solid/index.ts';
import type { SupportSettings } from '../settings/printSettings.ts';
import type { LayerSection } from './hangingAreas.ts';

/** Outlines are followed so roughly where supports keep away from them, mm. */
const ROUGH_MM = 0.03;

/**
 * Where no support may be in each layer: on the part and beside it, close above and below it, and, if supports stand on the
 * plate alone, over all that lies lower.
 */
export class KeepAway {
  readonly #layers: readonly LayerSection[];
  readonly #settings: SupportSettings;
  readonly #kept = new Map<string, Area>();
  readonly #numbers = new Map<Area, number>();
  /** What lies in each layer or below it, from the plate up as far as it was asked for. */
  readonly #lower: Area[] = [];

  constructor(layers: readonly LayerSection[], settings: SupportSettings) {
    this.#layers = layers;
    this.#settings = settings;
  }

  at(index: number): Area {
    const { gapLayers, gapMm, stand } = this.#settings;
    const own = this.#layers[index].area;
    const beside = stand === 'plate' ? this.#lowerThan(index) : this.#around(own);
    const near = new Set<Area>();
    for (let apart = 1; apart <= gapLayers; apart++) {
      const above = this.#layers[index + apart]?.area;
      if (above && above !== own) near.add(above);
      // Far beside what it stands on a support would begin in the air.
      const below = stand === 'part' ? this.#layers[index - apart]?.area : undefined;
      if (below && below !== own) near.add(this.#around(below, gapMm / 2));
    }
    const key = [beside, ...near].map((area) => this.#numberOf(area)).join(' ');
    return this.#once(key, () => [...near].reduce((all, area) => all.with(area), beside));
  }

  /** What lies in a layer or in one below it, and beside that. */
  #lowerThan(index: number): Area {
    for (let i = this.#lower.length; i <= index; i++) {
      const own = this.#layers[i].area;
      const last = this.#lower[i - 1];
      if (!last) this.#lower.push(this.#around(own));
      else if (own === this.#layers[i - 1].area) this.#lower.push(last);
      else {
        const around = this.#around(own);
        const isWithin = around.without(last).isEmpty();
        this.#lower.push(isWithin ? last : last.with(around).simplified(ROUGH_MM));
      }
    }
    return this.#lower[index];
  }

  #around(area: Area, mm = this.#settings.gapMm): Area {
    return this.#once(`${this.#numberOf(area)} around ${mm}`, () =>
      area.grown(mm, 'sharp').simplified(ROUGH_MM),
    );
  }

  #numberOf(area: Area): number {
    let number = this.#numbers.get(area);
    if (number === undefined) this.#numbers.set(area, (number = this.#numbers.size));
    return number;
  }

  #once(key: string, compute: () => Area): Area {
    let area = this.#kept.get(key);
    if (!area) this.#kept.set(key, (area = compute()));
    return area;
  }
}
