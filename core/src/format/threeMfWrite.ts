import { strToU8, zipSync } from 'fflate';
import { hexOf, type ColourBands } from '../colours/index.ts';
import type { SolidMesh } from '../mesh/index.ts';
import { escapedXml } from './svg/writeSvg.ts';

/** The 3MF core specification's name space and the content types of its package (3MF Core 1.3, §§ 2–4). */
const CORE = 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02';
const RELATIONSHIPS = 'http://schemas.openxmlformats.org/package/2006/relationships';
/** The relationship that leads from the package to its model. */
export const MODEL_RELATION = 'http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel';

/** What a 3MF package can say about its part besides its shape. */
export interface PartNotes {
  readonly title: string;
  /** The display name of whoever designed it. */
  readonly author?: string;
  /** The colour of the filament it is meant for, #rrggbb. */
  readonly colour?: string;
  /** The colours that the part is wished in, from the plate up; said in the file as materials, the first that of the part. */
  readonly colours?: ColourBands;
  /** The recipe itself as JSON, so that Kelbrin can open the part again. */
  readonly recipe?: string;
}

/** Where a package keeps the recipe, where it did before, and the relationship that leads to it. */
export const RECIPE_PART = 'Kelbrin/recipe.json';
export const RECIPE_PART_BEFORE = 'Metadata/kelbrin-recipe.json';
const RECIPE_RELATION = 'https://kelbrin.example/relationships/recipe';

/**
 * Writes a 3MF package with one object in millimetres. The bytes depend on nothing but the arguments, so that equal
 * parts have equal hashes.
 */
export function writeThreeMf(mesh: SolidMesh, notes: PartNotes): Uint8Array {
  const { positions: p, triangles: t } = mesh;
  const { title, author, recipe } = notes;
  const bases = basesOf(notes).map(
    ({ name, hex }) => `<base name="${escapedXml(name)}" displaycolor="${escapedXml(hex.toUpperCase())}FF"/>`,
  );
  const material = bases.length === 0 ? '' : `<basematerials id="2">${bases.join('')}</basematerials>`;
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

/** The materials of a part: its filament, or those that it is wished in and from which height each is. */
function basesOf({ colour, colours = [] }: PartNotes): { readonly name: string; readonly hex: string }[] {
  if (colours.length === 0) return colour === undefined ? [] : [{ name: 'Filament', hex: colour }];
  return colours.map((band) => ({ name: `${band.colour} from ${band.fromMm} mm`, hex: hexOf(band.colour) }));
}
