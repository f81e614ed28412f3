import { BufferAttribute, BufferGeometry, Matrix4, ShapeGeometry, ShapePath, Vector3 } from 'three';
import { Line2 } from 'three/examples/jsm/lines/Line2.js';
import { LineGeometry } from 'three/examples/jsm/lines/LineGeometry.js';
import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import type { SolidMesh, Vec3 } from '@kelbrin/core/mesh';
import type { Axis, Region } from '@kelbrin/core/recipe';

/** How a triangle is drawn; the numbers are what the material's shader tells apart. */
export const tone = { plain: 0, marked: 1, fail: 2, warn: 3, hidden: 4 } as const;
export type Tone = (typeof tone)[keyof typeof tone];

/** A mesh for drawing: every triangle has its own three corners and room for a tone; its material shades it flat. */
export function drawable({ positions, triangles }: SolidMesh): BufferGeometry {
  const corners = new Float32Array(triangles.length * 3);
  for (let i = 0; i < triangles.length; i++) {
    const from = 3 * triangles[i];
    corners[3 * i] = positions[from];
    corners[3 * i + 1] = positions[from + 1];
    corners[3 * i + 2] = positions[from + 2];
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(corners, 3));
  geometry.setAttribute('tone', new BufferAttribute(new Float32Array(triangles.length), 1));
  return geometry;
}

/** Lines between pairs of ends. */
export function lines(ends: Float32Array): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(ends, 3));
  return geometry;
}

/** A line from place to place that is as thick on every screen, through everything that lies before it. */
export function thickLine(places: readonly Vec3[]): Line2 {
  const material = new LineMaterial({ color: '#b5402a', linewidth: 3, depthTest: false });
  return new Line2(new LineGeometry().setPositions(places.flat()), material);
}

/** Gives every triangle its tone. */
export function setTones(geometry: BufferGeometry, toneOf: (triangle: number) => Tone): void {
  const tones = geometry.getAttribute('tone') as BufferAttribute;
  const values = tones.array;
  for (let corner = 0; corner < values.length; corner += 3) {
    values.fill(toneOf(corner / 3), corner, corner + 3);
  }
  tones.needsUpdate = true;
}

/** The face of a section: its outlines filled, openings left open. */
export function sectionFace(region: Region, across: Axis): ShapeGeometry {
  const path = new ShapePath();
  for (const [[x, y], ...rest] of region) {
    path.moveTo(x, y);
    for (const [px, py] of rest) path.lineTo(px, py);
    path.lineTo(x, y);
  }
  const face = new ShapeGeometry(path.toShapes());
  // The first number of an upright section runs to the right as it is seen, the second upwards.
  if (across !== 'z') {
    const right = across === 'x' ? new Vector3(0, 1, 0) : new Vector3(1, 0, 0);
    const up = new Vector3(0, 0, 1);
    face.applyMatrix4(new Matrix4().makeBasis(right, up, right.clone().cross(up)));
  }
  return face;
}

/** Lines for millimetre ticks along the front and the left edge of a build plate: longer ones every 10 and 50 mm. */
export function plateTicks(widthMm: number, depthMm: number): BufferGeometry {
  const points: number[] = [];
  const [left, front] = [-widthMm / 2, -depthMm / 2];
  const length = (mm: number) => (mm % 50 === 0 ? 5 : mm % 10 === 0 ? 3 : 1.2);
  for (let mm = 0; mm <= widthMm; mm++) points.push(left + mm, front, 0, left + mm, front + length(mm), 0);
  for (let mm = 0; mm <= depthMm; mm++) points.push(left, front + mm, 0, left + length(mm), front + mm, 0);
  return lines(Float32Array.from(points));
}

/** Faint lines across a build plate every 10 mm, counted from its middle, where parts begin. */
export function plateGrid(widthMm: number, depthMm: number): BufferGeometry {
  const points: number[] = [];
  const [x, y] = [widthMm / 2, depthMm / 2];
  for (let mm = -Math.floor(x / 10) * 10; mm <= x; mm += 10) points.push(mm, -y, 0, mm, y, 0);
  for (let mm = -Math.floor(y / 10) * 10; mm <= y; mm += 10) points.push(-x, mm, 0, x, mm, 0);
  return lines(Float32Array.from(points));
}
