import { writeAsciiStl, writeObj, writeStl, writeSvg, writeThreeMf } from '@kelbrin/core/format';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { inScope, Sections, simplified, type Kernel } from '@kelbrin/core/solid';
import type { ExportedFile, ExportWish } from './messages';

/** The file that is wished for, of a part. */
export function written(
  kernel: Kernel,
  part: SolidMesh,
  { format, detail, zMm, notes }: ExportWish,
): ExportedFile {
  const text = (words: string) => new TextEncoder().encode(words);
  const mesh = simplified(kernel, part, detail);
  const file = (bytes: Uint8Array): ExportedFile => ({
    bytes: bytes as Uint8Array<ArrayBuffer>,
    triangles: mesh.triangles.length / 3,
  });
  switch (format) {
    case 'stl':
      return file(writeStl(mesh, notes.title));
    case 'ascii-stl':
      return file(text(writeAsciiStl(mesh, notes.title)));
    case '3mf':
      return file(writeThreeMf(mesh, notes));
    case 'obj':
      return file(text(writeObj(mesh, notes.title)));
    case 'plan-svg':
    case 'section-svg': {
      const region = inScope((scope) => {
        const sections = new Sections(kernel, scope, part);
        return (format === 'plan-svg' ? sections.shadow(scope) : sections.at(scope, zMm)).outlines();
      });
      return { ...file(text(writeSvg(region, notes.title))), triangles: 0 };
    }
  }
}
