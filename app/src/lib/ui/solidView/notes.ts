import { CanvasTexture, Sprite, SpriteMaterial, SRGBColorSpace } from 'three';
import type { Vec3 } from '@kelbrin/core/mesh';

/** A few words that stand at a place on the part. */
export interface Note {
  readonly at: Vec3;
  readonly words: string;
}

const HEIGHT_PX = 22;
const PADDING_PX = 7;
/** Written larger than it is shown, so that it stays sharp on fine screens. */
const FINENESS = 2;

/** A note as a small white card that always faces the viewer, keeps its size, and is seen through everything. */
export function noteSprite({ at, words }: Note): Sprite {
  const canvas = document.createElement('canvas');
  const ink = canvas.getContext('2d')!;
  const { fontFamily } = getComputedStyle(document.body);
  const font = `${14 * FINENESS}px ${fontFamily}`;
  ink.font = font;
  const widthPx = Math.ceil(ink.measureText(words).width / FINENESS) + 2 * PADDING_PX;
  canvas.width = widthPx * FINENESS;
  canvas.height = HEIGHT_PX * FINENESS;
  ink.font = font;
  ink.fillStyle = '#ffffff';
  ink.strokeStyle = '#22302e';
  ink.lineWidth = FINENESS;
  ink.fillRect(0, 0, canvas.width, canvas.height);
  ink.strokeRect(FINENESS / 2, FINENESS / 2, canvas.width - FINENESS, canvas.height - FINENESS);
  ink.fillStyle = '#22302e';
  ink.textBaseline = 'middle';
  ink.fillText(words, PADDING_PX * FINENESS, (HEIGHT_PX * FINENESS) / 2 + FINENESS / 2);
  const map = new CanvasTexture(canvas);
  map.colorSpace = SRGBColorSpace;
  const sprite = new Sprite(new SpriteMaterial({ map, sizeAttenuation: false, depthTest: false }));
  sprite.position.set(...at);
  // It stands above its place, which stays in sight.
  sprite.center.set(0.5, -0.5);
  sprite.renderOrder = 3;
  sprite.userData = { widthPx };
  return sprite;
}

/** Gives a note its size on a view of so many pixels in height that opens by so many degrees. */
export function sizeNote({ scale, userData }: Sprite, viewPx: number, fovDeg: number): void {
  const perPx = (2 * Math.tan((fovDeg * Math.PI) / 360)) / viewPx;
  scale.set(userData.widthPx * perPx, HEIGHT_PX * perPx, 1);
}

/** Gives back what the graphics card holds of a note. */
export function disposeNote({ material }: Sprite): void {
  material.map?.dispose();
  material.dispose();
}
