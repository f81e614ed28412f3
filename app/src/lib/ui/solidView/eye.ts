import { PerspectiveCamera, Vector3 } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { Box, Vec3 } from '@kelbrin/core/mesh';
import { narrower, standpoint, type Look } from './views';

/** How wide the eye opens as people look, and so little that what is parallel looks parallel, degrees. */
const WIDE_DEG = 32;
const PARALLEL_DEG = 2;
/** So many standpoints are kept to go back to. */
const KEPT = 20;
/** Standpoints that are nearer to each other are one, mm. */
const SAME_MM = 0.5;

interface Standpoint {
  readonly eye: Vector3;
  readonly target: Vector3;
}

/** The eye that looks at a part: where it stands and has stood, and how wide it opens. */
export class Eye {
  readonly camera = new PerspectiveCamera(WIDE_DEG, 1, 1, 4000);
  readonly controls: OrbitControls;
  #before: Standpoint[] = [];

  constructor(element: HTMLElement) {
    this.camera.up.set(0, 0, 1);
    this.controls = new OrbitControls(this.camera, element);
    // Where somebody begins to turn the view from is a view that they may want back.
    this.controls.addEventListener('start', () => this.#keep());
    this.controls.addEventListener('change', () => this.#focus());
  }

  get openingDeg(): number {
    return this.camera.fov;
  }

  /** The way from what is looked at to the eye. */
  get from(): Vec3 {
    const { x, y, z } = this.camera.position.clone().sub(this.controls.target);
    return [x, y, z];
  }

  /** Where the eye would stand to see a box whole as a look asks; nothing where it asks for a view before and there is none. */
  standpointFor(look: Look, box: Box, aspect: number): Standpoint | undefined {
    if ('last' in look) return this.#before.pop();
    const from = 'here' in look ? { from: this.from, turns: look.turns } : look;
    return standpoint(from, box, this.openingDeg, aspect);
  }

  /** Stands somewhere else; `isBack` goes where it has stood, which is not to be gone back from. */
  stand({ eye, target }: Standpoint, isBack = false): void {
    if (!isBack) this.#keep();
    this.camera.position.copy(eye);
    this.controls.target.copy(target);
    this.controls.update();
  }

  /** Opens so little that the part looks as it is drawn, without perspective, or as people see; what is seen stays as large. */
  open(isParallel: boolean): void {
    const deg = isParallel ? PARALLEL_DEG : WIDE_DEG;
    const nearer = reach(this.camera.fov) / reach(deg);
    if (nearer === 1) return;
    this.#before = this.#before.map(({ eye, target }) => ({ eye: away(eye, target, nearer), target }));
    this.camera.fov = deg;
    this.camera.position.copy(away(this.camera.position, this.controls.target, nearer));
    this.controls.update();
    this.#focus();
  }

  /** Goes so much nearer or farther, after the view became wider or narrower for its height, that what was seen whole still is. */
  reframe(aspect: number, now: number): void {
    const nearer = Math.sin(narrower(this.openingDeg, aspect)) / Math.sin(narrower(this.openingDeg, now));
    this.camera.position.copy(away(this.camera.position, this.controls.target, nearer));
    this.controls.update();
  }

  close(): void {
    this.controls.dispose();
  }

  #keep(): void {
    const now = { eye: this.camera.position.clone(), target: this.controls.target.clone() };
    const last = this.#before.at(-1);
    const isSame = last && last.eye.distanceTo(now.eye) + last.target.distanceTo(now.target) < SAME_MM;
    if (now.eye.length() > 0 && !isSame) this.#before = [...this.#before, now].slice(-KEPT);
  }

  /** From far away, near things are left out, so that depths can still be told apart. */
  #focus(): void {
    const mm = this.camera.position.distanceTo(this.controls.target);
    const near = Math.max(1, mm * (this.camera.fov === WIDE_DEG ? 0 : 0.7));
    const far = mm + 4000;
    if (near === this.camera.near && far === this.camera.far) return;
    [this.camera.near, this.camera.far] = [near, far];
    this.camera.updateProjectionMatrix();
  }
}

/** How far one sees to a side for each millimetre of depth. */
const reach = (deg: number) => Math.tan((deg * Math.PI) / 360);

const away = (eye: Vector3, target: Vector3, times: number) =>
  target.clone().addScaledVector(eye.clone().sub(target), times);
