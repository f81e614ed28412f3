import { writeAsciiStl, writeObj, writeStep, writeStl, writeSvg, writeThreeMf } from '@kelbrin/core/format';
import { boundsOf, type SolidMesh } from '@kelbrin/core/mesh';
import { inScope, sectionOf, Sections, simplified, type Kernel } from '@kelbrin/core/solid';
import type { ExportedFile, ExportWish, PartFormat } from './messages';

/** The file that is wished for, of a part. */
export function written(
  kernel: Kernel,
  part: SolidMesh,
  { format, detail, cut, notes }: ExportWish & { readonly format: PartFormat },
): ExportedFile {
  const text = (words: string) => new TextEncoder().encode(words);
  const exact = (bytes: Uint8Array): ExportedFile => ({
    bytes: bytes as Uint8Array<ArrayBuffer>,
    triangles: 0,
  });
  const ofMesh = (write: (mesh: SolidMesh) => Uint8Array): ExportedFile => {
    const mesh = simplified(kernel, part, detail);
    return { ...exact(write(mesh)), triangles: mesh.triangles.length / 3 };
  };
  switch (format) {
    case 'stl':
      return ofMesh((mesh) => writeStl(mesh, notes.title));
    case 'ascii-stl':
      return ofMesh((mesh) => text(writeAsciiStl(mesh, notes.title)));
    case '3mf':
      return ofMesh((mesh) => writeThreeMf(mesh, notes));
    case 'obj':
      return ofMesh((mesh) => text(writeObj(mesh, notes.title)));
    case 'step':
    case 'step-all': {
      // Surfaces are found again in what was built, and not in what was made coarser.
      const parts = [{ mesh: part, name: notes.title, colour: notes.colour }];
      return exact(text(writeStep(parts, { name: notes.title, at: new Date() })));
    }
    case 'plan-svg': {
      const region = inScope((scope) => new Sections(kernel, scope, part).shadow(scope).outlines());
      return exact(text(writeSvg(region, notes.title)));
    }
    case 'section-svg':
      return exact(text(writeSvg(sectionOf(kernel, part, cut), notes.title)));
  }
}

/** Space between parts that stand beside each other in one file, mm. */
const APART_MM = 10;

/** All parts of a project as one file, beside each other in the order that they have. */
export function writtenTogether(
  parts: readonly { readonly name: string; readonly mesh: SolidMesh }[],
  { notes }: ExportWish,
): Omit<ExportedFile, 'leftOut'> {
  let nextMm = 0;
  const placed = parts.map(({ name, mesh }) => {
    const { min, max } = boundsOf(mesh);
    const at = [nextMm - min[0], 0, 0] as const;
    nextMm += max[0] - min[0] + APART_MM;
    return { name, mesh, colour: notes.colour, at };
  });
  const words = writeStep(placed, { name: notes.title, at: new Date() });
  return { bytes: new TextEncoder().encode(words) as Uint8Array<ArrayBuffer>, triangles: 0 };
}
