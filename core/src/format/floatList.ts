/** Numbers that come one by one, in little memory: twice as long whenever it is full. */
export class FloatList {
  length = 0;
  #values = new Float32Array(1024);

  /** The number at a place below {@link length}. */
  at(index: number): number {
    return this.#values[index];
  }

  push(value: number): void {
    if (this.length === this.#values.length) {
      const longer = new Float32Array(2 * this.length);
      longer.set(this.#values);
      this.#values = longer;
    }
    this.#values[this.length++] = value;
  }

  /** The numbers so far; the list goes on with memory of its own. */
  toArray(): Float32Array {
    return this.#values.slice(0, this.length);
  }
}
