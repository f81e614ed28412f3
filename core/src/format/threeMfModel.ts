import type { SolidMesh } from '../mesh/index.ts';
import { demandCorners, demandTriangles, grouped, type FileLimits } from './fileLimits.ts';
import { FloatList } from './floatList.ts';
import { FormatError } from './formatError.ts';
import { XmlScanner } from './xml.ts';
import { say } from '../words/index.ts';

const millimetresPer: Record<string, number> = {
  micron: 0.001,
  millimeter: 1,
  centimeter: 10,
  inch: 25.4,
  foot: 304.8,
  meter: 1000,
};

/** How many objects may be nested in objects; deeper nesting can only be a loop. */
const DEEPEST_NESTING = 16;
/** How many objects, and how many places for objects, a model may name. */
const MOST_PLACES = 10_000;
/** How many elements a model may have beside its corners and triangles. */
const MOST_OTHER_ELEMENTS = 100_000;

/** Twelve numbers, a 4 × 3 matrix by rows, applied to row vectors (3MF Core 1.3, § 3.3). */
type Matrix = readonly number[];

/** An object that is put somewhere. */
interface Place {
  readonly objectId: string;
  readonly matrix: Matrix | undefined;
}

/** An object as it is read: corners and triangles of its own, and other objects in it. */
interface ModelObject {
  readonly corners: FloatList;
  readonly triangles: number[];
  readonly parts: Place[];
}

/**
 * The model of a 3MF package, read while it is unpacked. Names of elements and attributes are those of 3MF Core 1.3, § 4;
 * what other specifications add is passed over.
 */
export class ThreeMfModel {
  readonly #limits: FileLimits;
  readonly #objects = new Map<string, ModelObject>();
  readonly #built: Place[] = [];
  readonly #scanner: XmlScanner;
  readonly #decoder = new TextDecoder();
  #scale = 1;
  #object: ModelObject | undefined;
  #hasRoot = false;
  #hasBuild = false;
  #corners = 0;
  #triangles = 0;
  #places = 0;
  #others = 0;

  constructor(limits: FileLimits) {
    this.#limits = limits;
    this.#scanner = new XmlScanner(say('the model inside the 3MF file'), {
      open: (name, attributes) => this.#open(name, attributes),
      close: (name) => {
        if (name === 'object') this.#object = undefined;
      },
    });
  }

  /** Takes the next piece of the model's file. */
  take(piece: Uint8Array, isLast: boolean): void {
    this.#scanner.write(this.#decoder.decode(piece, { stream: !isLast }));
    if (isLast) this.#scanner.close();
  }

  /** What the model builds, in millimetres; call it when the whole file was taken. */
  mesh(): SolidMesh {
    if (!this.#hasBuild) throw malformed(say('nothing says what to build'));
    const positions = new FloatList();
    const triangles: number[] = [];
    let places = 0;
    const put = ({ objectId, matrix }: Place, around: readonly Matrix[], depth: number): void => {
      const object = this.#objects.get(objectId);
      if (!object)
        throw new FormatError(
          say('the 3MF file builds object {objectId}, which it does not contain', { objectId }),
        );
      if (depth > DEEPEST_NESTING)
        throw new FormatError(say('the objects inside the 3MF file contain each other'));
      // A few objects that hold each other many times over would come to more than any memory holds.
      if (++places > MOST_PLACES) throw tooManyPlaces();
      const matrices = matrix ? [matrix, ...around] : around;
      this.#place(object, matrices, positions, triangles);
      for (const part of object.parts) put(part, matrices, depth + 1);
    };
    for (const item of this.#built) put(item, [], 0);

    if (triangles.length === 0) throw new FormatError(say('the 3MF file builds nothing'));
    const moved = positions.toArray();
    if (!moved.every(Number.isFinite))
      throw new FormatError(say('the 3MF file has a corner that is not a number'));
    return { positions: moved, triangles: Uint32Array.from(triangles) };
  }

  #place(
    { corners, triangles: own }: ModelObject,
    matrices: readonly Matrix[],
    positions: FloatList,
    triangles: number[],
  ): void {
    demandTriangles((triangles.length + own.length) / 3, this.#limits);
    const base = positions.length / 3;
    demandCorners((positions.length + corners.length) / 3, this.#limits);
    for (let i = 0; i < corners.length; i += 3) {
      let point: [number, number, number] = [corners.at(i), corners.at(i + 1), corners.at(i + 2)];
      for (const matrix of matrices) point = transformed(point, matrix);
      for (const value of point) positions.push(value * this.#scale);
    }
    const count = corners.length / 3;
    for (let i = 0; i < own.length; i += 3) {
      const [a, b, c] = [own[i], own[i + 1], own[i + 2]];
      if (Math.max(a, b, c) >= count)
        throw new FormatError(say('the 3MF file has a triangle with a corner that does not exist'));
      if (a !== b && b !== c && c !== a) triangles.push(base + a, base + b, base + c);
    }
  }

  #open(name: string, attributes: Readonly<Record<string, string>>): void {
    switch (name) {
      case 'vertex':
        for (const axis of ['x', 'y', 'z']) this.#inObject().corners.push(coordinate(attributes[axis]));
        demandCorners(++this.#corners, this.#limits);
        return;
      case 'triangle':
        for (const corner of ['v1', 'v2', 'v3']) this.#inObject().triangles.push(index(attributes[corner]));
        demandTriangles(++this.#triangles, this.#limits);
        return;
    }
    if (++this.#others > MOST_OTHER_ELEMENTS) throw malformed(say('it has too many elements'));
    if (!this.#hasRoot) {
      if (name !== 'model') throw malformed(say('it does not begin with a model'));
      this.#hasRoot = true;
      const unit = attributes.unit ?? 'millimeter';
      if (!Object.hasOwn(millimetresPer, unit))
        throw new FormatError(
          say('the model inside the 3MF file is in an unknown unit, “{unit}”', { unit: unit.slice(0, 40) }),
        );
      this.#scale = millimetresPer[unit];
      return;
    }
    switch (name) {
      case 'object':
        if (attributes.id === undefined) throw malformed(say('an object has no number'));
        if (++this.#places > MOST_PLACES) throw tooManyPlaces();
        this.#object = { corners: new FloatList(), triangles: [], parts: [] };
        this.#objects.set(attributes.id, this.#object);
        break;
      case 'component':
        this.#inObject().parts.push(this.#placeFrom(attributes));
        break;
      case 'build':
        this.#hasBuild = true;
        break;
      case 'item':
        this.#built.push(this.#placeFrom(attributes));
    }
  }

  #inObject(): ModelObject {
    if (!this.#object) throw malformed(say('a part of an object stands outside of all objects'));
    return this.#object;
  }

  #placeFrom({ objectid, transform }: Readonly<Record<string, string>>): Place {
    if (objectid === undefined) throw malformed(say('it does not say which object is built'));
    if (++this.#places > MOST_PLACES) throw tooManyPlaces();
    return { objectId: objectid, matrix: transform === undefined ? undefined : matrixFrom(transform) };
  }
}

function coordinate(value: string | undefined): number {
  if (value === undefined) throw malformed(say('a corner has no place'));
  return value.trim() === '' ? NaN : Number(value);
}

function index(value: string | undefined): number {
  const number = Number(value);
  if (!Number.isInteger(number) || number < 0) throw malformed(say('a triangle names no corners'));
  return number;
}

function matrixFrom(transform: string): Matrix {
  const numbers = transform.trim().split(/\s+/, 13).map(Number);
  if (numbers.length !== 12 || !numbers.every(Number.isFinite))
    throw new FormatError(say('the 3MF file has a transform that is not twelve numbers'));
  return numbers;
}

function transformed([x, y, z]: [number, number, number], m: Matrix): [number, number, number] {
  return [
    x * m[0] + y * m[3] + z * m[6] + m[9],
    x * m[1] + y * m[4] + z * m[7] + m[10],
    x * m[2] + y * m[5] + z * m[8] + m[11],
  ];
}

const malformed = (why: string) =>
  new FormatError(say('the model inside the 3MF file is not as the format has it: {why}', { why }));
const tooManyPlaces = () =>
  new FormatError(say('the 3MF file puts more than {most} objects together', { most: grouped(MOST_PLACES) }));
