import { strToU8, strFromU8, unzipSync, zipSync } from 'fflate';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import * as z from 'zod';
import type { SolidMesh } from '../mesh/index.ts';
import { FormatError } from './formatError.ts';
import { escapedXml } from './svgWrite.ts';

/** The 3MF core specification's name space and the content types of its package (3MF Core 1.3, §§ 2–4). */
const CORE = 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02';
const RELATIONSHIPS = 'http://schemas.openxmlformats.org/package/2006/relationships';
const MODEL_RELATION = 'http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel';

/** More than any classroom part unpacks to; keeps a small hostile file from filling the memory. */
const LARGEST_MODEL_BYTES = 400_000_000;

/** How many objects may be nested in objects; deeper nesting can only be a loop. */
const DEEPEST_NESTING = 16;

const millimetresPer: Record<string, number> = {
  micron: 0.001,
  millimeter: 1,
  centimeter: 10,
  inch: 25.4,
  foot: 304.8,
  meter: 1000,
};

/** What a 3MF package can say about its part besides its shape. */
export interface PartNotes {
  readonly title: string;
  /** The display name of whoever designed it. */
  readonly author?: string;
  /** The colour of the filament it is meant for, #rrggbb. */
  readonly colour?: string;
  /** The recipe itself as JSON, so that Kelbrin can open the part again. */
  readonly recipe?: string;
}

/** Where a package keeps the recipe, and the relationship that leads to it. */
const RECIPE_PART = 'Metadata/kelbrin-recipe.json';
const RECIPE_RELATION = 'https://kelbrin.example/relationships/recipe';

/**
 * Writes a 3MF package with one object in millimetres. The bytes depend on nothing but the arguments, so that equal
 * parts have equal hashes.
 */
export function writeThreeMf(mesh: SolidMesh, notes: PartNotes): Uint8Array {
  const { positions: p, triangles: t } = mesh;
  const { title, author, colour, recipe } = notes;
  const material =
    colour === undefined
      ? ''
      : `<basematerials id="2"><base name="Filament" displaycolor="${escapedXml(colour.toUpperCase())}FF"/></basematerials>`;
  const lines: string[] = [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<model unit="millimeter" xml:lang="en" xmlns="${CORE}">`,
    `<metadata name="Title">${escapedXml(title)}</metadata>`,
    ...(author === undefined ? [] : [`<metadata name="Designer">${escapedXml(author)}</metadata>`]),
    '<metadata name="Application">Kelbrin</metadata>',
    `<resources>${material}<object id="1" type="model" name="${escapedXml(title)}"${material && ' pid="2" pindex="0"'}><mesh><vertices>`,
  ];
  for (let i = 0; i < p.length; i += 3) lines.push(`<vertex x="${p[i]}" y="${p[i + 1]}" z="${p[i + 2]}"/>`);
  lines.push('</vertices><triangles>');
  for (let i = 0; i < t.length; i += 3)
    lines.push(`<triangle v1="${t[i]}" v2="${t[i + 1]}" v3="${t[i + 2]}"/>`);
  lines.push('</triangles></mesh></object></resources><build><item objectid="1"/></build></model>');

  const xml = (content: string) => strToU8(`<?xml version="1.0" encoding="UTF-8"?>\n${content}`);
  return zipSync(
    {
      '[Content_Types].xml': xml(
        '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">' +
          '<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>' +
          '<Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/>' +
          (recipe === undefined ? '' : '<Default Extension="json" ContentType="application/json"/>') +
          '</Types>',
      ),
      '_rels/.rels': xml(
        `<Relationships xmlns="${RELATIONSHIPS}">` +
          `<Relationship Target="/3D/3dmodel.model" Id="rel0" Type="${MODEL_RELATION}"/>` +
          (recipe === undefined
            ? ''
            : `<Relationship Target="/${RECIPE_PART}" Id="rel1" Type="${RECIPE_RELATION}"/>`) +
          '</Relationships>',
      ),
      '3D/3dmodel.model': strToU8(lines.join('\n')),
      ...(recipe === undefined ? {} : { [RECIPE_PART]: strToU8(recipe) }),
    },
    { mtime: new Date(1980, 0, 1), level: 6 },
  );
}

const list = <T extends z.ZodType>(item: T) =>
  z.preprocess(
    (value) => (value === undefined || value === '' ? [] : Array.isArray(value) ? value : [value]),
    z.array(item),
  );
/** An XML element that may be empty, which the parser gives as an empty string. */
const element = <T extends z.ZodRawShape>(shape: T) =>
  z.preprocess((value) => (value === '' ? {} : value), z.object(shape));
const index = z.coerce.number().int().min(0);
const coordinate = z.coerce.number();
const model = element({
  model: element({
    unit: z.string().default('millimeter'),
    resources: element({
      object: list(
        element({
          id: z.string(),
          mesh: element({
            vertices: element({ vertex: list(element({ x: coordinate, y: coordinate, z: coordinate })) }),
            triangles: element({ triangle: list(element({ v1: index, v2: index, v3: index })) }),
          }).optional(),
          components: element({
            component: list(element({ objectid: z.string(), transform: z.string().optional() })),
          }).optional(),
        }),
      ),
    }),
    build: element({ item: list(element({ objectid: z.string(), transform: z.string().optional() })) }),
  }),
});
type Model = z.infer<typeof model>['model'];

/**
 * Reads the built objects of a 3MF package as one mesh in millimetres, with the package's unit and transforms applied.
 * Throws a {@link FormatError} when the package is damaged, its model is missing or malformed, or it builds nothing.
 */
export function readThreeMf(bytes: Uint8Array): SolidMesh {
  if (bytes.length === 0) throw new FormatError('the file is empty');
  const content = modelPart(unpack(bytes));
  if (XMLValidator.validate(content) !== true)
    throw new FormatError('the model inside the 3MF file is not well-formed XML');
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '',
    processEntities: false,
    removeNSPrefix: true,
  });
  const parsed = model.safeParse(parser.parse(content));
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0];
    throw new FormatError(
      `the model inside the 3MF file is not as the format has it (${path.join(' › ')}: ${message})`,
    );
  }
  const scale = millimetresPer[parsed.data.model.unit];
  if (scale === undefined)
    throw new FormatError(`the model inside the 3MF file is in an unknown unit, “${parsed.data.model.unit}”`);
  return assemble(parsed.data.model, scale);
}

/** The recipe that Kelbrin put into a 3MF package, as it was written; undefined if there is none. */
export function recipeInThreeMf(bytes: Uint8Array): string | undefined {
  const part = unpack(bytes)[RECIPE_PART];
  return part && strFromU8(part);
}

function unpack(bytes: Uint8Array): Record<string, Uint8Array> {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) throw new FormatError('the file is not a 3MF file');
  try {
    return unzipSync(bytes, {
      filter({ name, originalSize }) {
        if (!/\.(rels|model)$/i.test(name) && name !== RECIPE_PART) return false;
        if (originalSize > LARGEST_MODEL_BYTES)
          throw new FormatError('the model inside the 3MF file is too large');
        return true;
      },
    });
  } catch (error) {
    if (error instanceof FormatError) throw error;
    throw new FormatError('the 3MF file is damaged or cut short', { cause: error });
  }
}

/** The root model: the target of the package's start relationship, or the usual place. */
function modelPart(parts: Record<string, Uint8Array>): string {
  const relations = parts['_rels/.rels'] ? strFromU8(parts['_rels/.rels']) : '';
  const relation = relations.match(/<Relationship\b[^>]*>/g)?.find((each) => each.includes(MODEL_RELATION));
  const target = relation?.match(/\bTarget="\/?([^"]+)"/)?.[1] ?? '3D/3dmodel.model';
  const part = parts[target];
  if (!part) throw new FormatError('the 3MF file has no model inside');
  return strFromU8(part);
}

function assemble({ resources, build }: Model, scale: number): SolidMesh {
  const objects = new Map(resources.object.map((object) => [object.id, object]));
  const positions: number[] = [];
  const triangles: number[] = [];

  const place = (objectId: string, transforms: Matrix[], depth: number): void => {
    const object = objects.get(objectId);
    if (!object) throw new FormatError(`the 3MF file builds object ${objectId}, which it does not contain`);
    if (depth > DEEPEST_NESTING) throw new FormatError('the objects inside the 3MF file contain each other');
    if (object.mesh) {
      const base = positions.length / 3;
      const { vertex } = object.mesh.vertices;
      for (const { x, y, z } of vertex) {
        let point: [number, number, number] = [x, y, z];
        for (const matrix of transforms) point = transformed(point, matrix);
        positions.push(point[0] * scale, point[1] * scale, point[2] * scale);
      }
      for (const { v1, v2, v3 } of object.mesh.triangles.triangle) {
        if (Math.max(v1, v2, v3) >= vertex.length) {
          throw new FormatError('the 3MF file has a triangle with a corner that does not exist');
        }
        if (v1 !== v2 && v2 !== v3 && v3 !== v1) triangles.push(base + v1, base + v2, base + v3);
      }
    }
    for (const { objectid, transform } of object.components?.component ?? []) {
      place(objectid, [...matrices(transform), ...transforms], depth + 1);
    }
  };
  for (const { objectid, transform } of build.item) place(objectid, matrices(transform), 0);

  if (triangles.length === 0) throw new FormatError('the 3MF file builds nothing');
  if (!positions.every(Number.isFinite))
    throw new FormatError('the 3MF file has a corner that is not a number');
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) };
}

/** Twelve numbers, a 4 × 3 matrix by rows, applied to row vectors (3MF Core 1.3, § 3.3). */
type Matrix = readonly number[];

function matrices(transform: string | undefined): Matrix[] {
  if (transform === undefined) return [];
  const numbers = transform.trim().split(/\s+/).map(Number);
  if (numbers.length !== 12 || !numbers.every(Number.isFinite)) {
    throw new FormatError('the 3MF file has a transform that is not twelve numbers');
  }
  return [numbers];
}

function transformed([x, y, z]: [number, number, number], m: Matrix): [number, number, number] {
  return [
    x * m[0] + y * m[3] + z * m[6] + m[9],
    x * m[1] + y * m[4] + z * m[7] + m[10],
    x * m[2] + y * m[5] + z * m[8] + m[11],
  ];
}
