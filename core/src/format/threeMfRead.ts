import type { SolidMesh } from '../mesh/index.ts';
import { demandBytes, ownFile, sentFile, type FileLimits } from './fileLimits.ts';
import { FormatError } from './formatError.ts';
import { unpack } from './package.ts';
import { ThreeMfModel } from './threeMfModel.ts';
import { MODEL_RELATION, RECIPE_PART, RECIPE_PART_BEFORE } from './threeMfWrite.ts';
import { XmlScanner } from './xml.ts';
import { say } from '../words/index.ts';

/** Where the model lies unless the package says otherwise. */
const USUAL_MODEL_PART = '3D/3dmodel.model';
/** The package's list of what leads where (Open Packaging Conventions), and how long it may be. */
const RELATIONS_PART = '_rels/.rels';
const LARGEST_RELATIONS_BYTES = 100_000;
/** The longest recipe that is looked for in a package, bytes. */
const LARGEST_RECIPE_BYTES = 500_000;

/**
 * Reads the built objects of a 3MF package as one mesh in millimetres, with the package's unit and transforms applied.
 * Throws a {@link FormatError} when the package is damaged, its model is missing or malformed, builds nothing, or holds
 * more than it may; it is unpacked and read piece by piece, and no further than that.
 */
export function readThreeMf(bytes: Uint8Array, limits = ownFile): SolidMesh {
  demandPackage(bytes, limits);
  const wanted = modelPart(bytes, limits);
  let model: ThreeMfModel | undefined;
  unpack(bytes, limits, (name) => {
    if (name !== wanted || model) return undefined;
    const reading = (model = new ThreeMfModel(limits));
    return (piece, isLast) => reading.take(piece, isLast);
  });
  if (!model) throw new FormatError(say('the 3MF file has no model inside'));
  return model.mesh();
}

/** The recipe that Kelbrin put into a 3MF package, as it was written; undefined if there is none. */
export function recipeInThreeMf(bytes: Uint8Array): string | undefined {
  demandPackage(bytes, sentFile);
  return (
    textOf(bytes, sentFile, RECIPE_PART, LARGEST_RECIPE_BYTES) ??
    textOf(bytes, sentFile, RECIPE_PART_BEFORE, LARGEST_RECIPE_BYTES)
  );
}

function demandPackage(bytes: Uint8Array, limits: FileLimits): void {
  if (bytes.length === 0) throw new FormatError(say('the file is empty'));
  demandBytes(bytes.length, limits);
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) throw new FormatError(say('the file is not a 3MF file'));
}

/** The root model: the target of the package's start relationship, or the usual place. */
function modelPart(bytes: Uint8Array, limits: FileLimits): string {
  const relations = textOf(bytes, limits, RELATIONS_PART, LARGEST_RELATIONS_BYTES);
  let target = USUAL_MODEL_PART;
  if (relations === undefined) return target;
  const scanner = new XmlScanner(say('the list of contents inside the 3MF file'), {
    open(name, { Type, Target }) {
      if (name === 'Relationship' && Type === MODEL_RELATION && Target)
        target = Target.startsWith('/') ? Target.slice(1) : Target;
    },
  });
  scanner.write(relations);
  scanner.close();
  return target;
}

/** The text of one entry of a package; undefined if it has none of this name. */
function textOf(
  bytes: Uint8Array,
  limits: FileLimits,
  wanted: string,
  largestBytes: number,
): string | undefined {
  const decoder = new TextDecoder();
  let words: string | undefined;
  let length = 0;
  unpack(bytes, limits, (name) => {
    if (name !== wanted || words !== undefined) return undefined;
    words = '';
    return (piece, isLast) => {
      length += piece.length;
      if (length > largestBytes)
        throw new FormatError(say('{wanted} inside the file is too large', { wanted }));
      words += decoder.decode(piece, { stream: !isLast });
    };
  });
  return words;
}
