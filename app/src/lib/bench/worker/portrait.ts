import type { ColourBands } from '@kelbrin/core/colours';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { drawPng } from '@kelbrin/core/picture';

/** A small picture of a part as PNG, as it stands in the strip of parts; none of an empty part. */
export function portraitOf(mesh: SolidMesh, colours: ColourBands): Uint8Array<ArrayBuffer> | undefined {
  if (mesh.triangles.length === 0) return undefined;
  const options = { widthPx: 72, heightPx: 48, colour: '#3f8f5f', colours, ground: '#ffffff' };
  return new Uint8Array(drawPng(mesh, options));
}
