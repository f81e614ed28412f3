import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { nodeWorkshop } from '@kelbrin/core/node';
import { parseDesign } from '@kelbrin/core/design';
import {
  FormatError,
  readAndMend,
  readPart,
  readSvg,
  recipeInThreeMf,
  sentFile,
  writeAsciiStl,
  writeObj,
  writeStl,
  writeSvg,
  writeThreeMf,
} from '@kelbrin/core/format';
import { parseRecipe } from '@kelbrin/core/recipe';
import { evaluate, RegionMath } from '@kelbrin/core/solid';
import { starters } from '@kelbrin/core/starters';
import { readHalt, readJob, readTemperatures } from '../../app/src/lib/server/printers/drivers/answers.ts';
import { guessReading } from '../../app/src/lib/shared/listReading.ts';
import { LONGEST_LIST, readStudentList } from '../../app/src/lib/shared/studentList.ts';
import { changedBytes, changedWords } from './changed.ts';

/** A reader of what comes from outside, and what it is tried with. */
export interface Reader {
  readonly name: string;
  readonly input: fc.Arbitrary<string | Uint8Array>;
  /** Reads an input; returns what is wrong with it in a sentence, or nothing. Throws nothing at all. */
  read(input: string | Uint8Array): string | undefined;
}

const bytesOf = (input: string | Uint8Array) => (typeof input === 'string' ? strToU8(input) : input);
const wordsOf = (input: string | Uint8Array) =>
  typeof input === 'string' ? input : new TextDecoder().decode(input);

/** The sentence with which a reader of files refuses; anything else that it throws goes on. */
function sentence(work: () => unknown): string | undefined {
  try {
    work();
    return undefined;
  } catch (error) {
    if (error instanceof FormatError) return error.message;
    throw error;
  }
}

/** JSON as a request brings it: what is none is refused before any reader. */
function parsed(words: string): { readonly data: unknown } | undefined {
  try {
    return { data: JSON.parse(words) };
  } catch {
    return undefined;
  }
}

/** As much as the server takes as JSON. */
const MOST_JSON = 500_000;
const MOST_SVG = 4_000_000;

/** The readers of files, of what the bench saves, of lists of students and of what printers answer. */
export async function readers(): Promise<readonly Reader[]> {
  const workshop = await nodeWorkshop();
  const math = new RegionMath(workshop.kernel);
  const [{ recipe }] = starters;
  const built = evaluate(recipe, workshop);
  if (!built.ok) throw new Error('The first starter cannot be built.');
  const { mesh } = built;
  const cube = [
    'v 0 0 0', 'v 9 0 0', 'v 9 9 0', 'v 0 9 0', 'v 0 0 9', 'v 9 0 9', 'v 9 9 9', 'v 0 9 9',
    'f 4 3 2 1', 'f 5 6 7 8', 'f 1 2 6 5', 'f 2 3 7 6', 'f 3 4 8 7', 'f 4 1 5 8', '',
  ].join('\n'); // oxfmt-ignore
  const cubeMesh = readAndMend(strToU8(cube), sentFile).mesh;
  const asciiStl = [writeAsciiStl(cubeMesh), 'solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\nendloop\nendfacet\nendsolid a\n']; // oxfmt-ignore
  const model =
    '<?xml version="1.0"?><model unit="millimeter" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"><resources><object id="1" type="model"><mesh><vertices><vertex x="0" y="0" z="0"/><vertex x="9" y="0" z="0"/><vertex x="0" y="9" z="0"/><vertex x="0" y="0" z="9"/></vertices><triangles><triangle v1="0" v2="2" v3="1"/><triangle v1="0" v2="1" v3="3"/><triangle v1="1" v2="2" v3="3"/><triangle v1="2" v2="0" v3="3"/></triangles></mesh></object><object id="2"><components><component objectid="1" transform="1 0 0 0 1 0 0 0 1 20 0 0"/></components></object></resources><build><item objectid="1"/><item objectid="2"/></build></model>';
  const svg = [
    '<svg xmlns="http://www.w3.org/2000/svg" width="40mm" viewBox="0 0 40 40"><style>.a{fill:none;stroke:#123;stroke-width:2}</style><defs><symbol id="s" viewBox="0 0 10 10"><path d="M0 0h10a5 5 0 0 1 0 10H0zM2 2C4 2 4 8 2 8z"/></symbol></defs><g transform="translate(3 1) rotate(30)"><rect width="20" height="10" rx="2"/><circle class="a" cx="9" cy="9" r="5"/></g><use href="#s" x="4" width="8" height="8"/><polygon points="0,0 10,0 10,10" fill="white"/></svg>',
    writeSvg([[[0, 0], [30, 0], [30, 20], [0, 20]]], 'A & B'), // oxfmt-ignore
  ];
  const recipes = starters.map((each) => JSON.stringify(each.recipe));
  const design = JSON.stringify({
    format: 'kelbrin-design',
    version: 2,
    measures: [{ name: 'cane', value: 8 }],
    parts: [{ id: 'p1', name: 'Label', recipe }],
    chosen: 'p1',
  });
  const xmlWords = ['<a>', '</a>', '<!--', '-->', '<![CDATA[', '&amp;', '&#x10FFFF;', '<!DOCTYPE svg [<!ENTITY a "x">]>', '&a;', '"', '>']; // oxfmt-ignore

  const ofMesh = (input: string | Uint8Array) =>
    sentence(() => readPart(workshop.kernel, bytesOf(input), sentFile));
  return [
    {
      name: 'stl',
      input: fc.oneof(
        changedWords(asciiStl, ['solid ', 'facet ', 'vertex 1 2 3\n', 'endsolid', '\n', ' '], sentFile.bytes),
        changedBytes(fc.constantFrom(writeStl(cubeMesh), writeStl(mesh))),
      ),
      read: ofMesh,
    },
    {
      name: 'obj',
      input: changedWords([cube, writeObj(mesh, 'Label')], ['v 1 2 3\n', 'f 1 2 3\n', 'f 1/2/3 -1//4 2\n', 'vn 0 0 1\n', '\\\n', '# ', 'o x\n', '\n'], sentFile.bytes), // oxfmt-ignore
      read: ofMesh,
    },
    {
      name: '3mf',
      input: fc.oneof(
        changedWords([model], [...xmlWords, '<vertex x="1" y="2" z="3"/>', '<triangle v1="0" v2="1" v3="2"/>', '<component objectid="2"/>', '<object id="1">', '<item objectid="1"/>'], sentFile.unpackedBytes).map((words) => zipSync({ '3D/3dmodel.model': strToU8(words) }, { level: 1 })), // oxfmt-ignore
        changedBytes(fc.constant(writeThreeMf(mesh, { title: 'Label', recipe: recipes[0] }))),
      ),
      read: (input) =>
        sentence(() => {
          recipeInThreeMf(bytesOf(input));
          readPart(workshop.kernel, bytesOf(input), sentFile);
        }),
    },
    {
      name: 'svg',
      input: changedWords(svg, [...xmlWords, '<g>', '</g>', '<use href="#s"/>', '<rect width="5" height="5"/>', 'M0 0L9 9', 'a5 5 0 0 1 3 3', 'scale(2)', 'stroke="red"', '<svg viewBox="0 0 1 1">', '{', '}', '.a{fill:red}'], MOST_SVG), // oxfmt-ignore
      read: (input) => sentence(() => readSvg(wordsOf(input), math)),
    },
    {
      name: 'recipe',
      input: changedWords(recipes, ['{', '}', '[', ']', ',', '"steps":', 'null', '1e999', '{"formula":"a*(b+1)"}', '"__proto__":', '(', '9^'], MOST_JSON), // oxfmt-ignore
      read(input) {
        const json = parsed(wordsOf(input));
        const read = json && parseRecipe(json.data);
        return read && !read.ok ? read.problem.message : undefined;
      },
    },
    {
      name: 'design',
      input: changedWords([design], ['{', '}', '[', ']', ',', '"parts":', 'null', '{"formula":"cane"}', '"p1"'], MOST_JSON), // oxfmt-ignore
      read(input) {
        const json = parsed(wordsOf(input));
        const read = json && parseDesign(json.data);
        return read && !read.ok ? read.problem.message : undefined;
      },
    },
    {
      name: 'list',
      input: changedWords(['Ada Okafor\nBen Lind, ben\nCai Ember, cai, 481516\n', 'Nachname;Vorname\n"Müller";Anna\n', 'Name\tPIN\nZoë\t526017\n'], ['"', ',', ';', '\t', '\r\n', '\n', 'Name', '""'], LONGEST_LIST), // oxfmt-ignore
      read(input) {
        const words = wordsOf(input).slice(0, LONGEST_LIST);
        return readStudentList(words, new Set(['ben']), guessReading(words)).problems[0]?.message;
      },
    },
    {
      name: 'answers',
      input: changedWords(['ok T:205.1 /210.0 B:59.8 /60.0 @:0', 'Current file: a.gcode\nSD printing byte 12/345, paused for door', 'Error:Heating failed'], ['T:', 'B:', '/', ' ', '\n', 'Error:', 'Current file: ', 'SD printing byte ', ', paused for '], 1_000_000), // oxfmt-ignore
      read(input) {
        const words = wordsOf(input);
        readJob(words);
        readHalt(words);
        try {
          readTemperatures(words);
          return undefined;
        } catch (error) {
          return (error as Error).message;
        }
      },
    },
  ];
}
