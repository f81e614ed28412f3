import { WebGLRenderer, type Camera, type Object3D } from 'three';

/**
 * A renderer for machines on which the processor draws, for want of a graphics card. Were its canvas on the page, the
 * page would wait at every frame until the picture is finished. So it draws on a canvas of its own; when a picture is
 * finished it is put on `canvas`, and the page goes on meanwhile.
 */
export function softwareRenderer(canvas: HTMLCanvasElement): WebGLRenderer {
  const renderer = new WebGLRenderer({
    canvas: document.createElement('canvas'),
    alpha: true,
    antialias: false,
    // A picture may still be read when the next one was due.
    preserveDrawingBuffer: true,
  });
  const handOver = new HandOver(renderer.getContext() as WebGL2RenderingContext, canvas);
  const draw = renderer.render.bind(renderer);
  renderer.render = (scene: Object3D, camera: Camera) => {
    draw(scene, camera);
    handOver.begin();
  };
  return renderer;
}

/** Copies finished pictures from a WebGL context to a canvas without waiting for them. */
class HandOver {
  readonly #gl: WebGL2RenderingContext;
  readonly #canvas: HTMLCanvasElement;
  readonly #buffer: WebGLBuffer;
  #picture = new ImageData(1, 1);
  #isUnderWay = false;
  /** Whether another picture was drawn while one was under way. */
  #isOld = false;

  constructor(gl: WebGL2RenderingContext, canvas: HTMLCanvasElement) {
    this.#gl = gl;
    this.#canvas = canvas;
    this.#buffer = gl.createBuffer();
    // Rows come from the bottom up.
    canvas.style.transform = 'scaleY(-1)';
  }

  /** Hands over the picture that was just drawn; while one is under way, the latest waits for it. */
  begin(): void {
    if (this.#isUnderWay) {
      this.#isOld = true;
      return;
    }
    const gl = this.#gl;
    const [width, height] = [gl.drawingBufferWidth, gl.drawingBufferHeight];
    if (width === 0 || height === 0 || gl.isContextLost()) return;
    if (this.#picture.width !== width || this.#picture.height !== height) {
      this.#picture = new ImageData(width, height);
    }
    this.#isUnderWay = true;
    gl.bindBuffer(gl.PIXEL_PACK_BUFFER, this.#buffer);
    gl.bufferData(gl.PIXEL_PACK_BUFFER, this.#picture.data.byteLength, gl.STREAM_READ);
    gl.readPixels(0, 0, width, height, gl.RGBA, gl.UNSIGNED_BYTE, 0);
    gl.bindBuffer(gl.PIXEL_PACK_BUFFER, null);
    const sync = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0);
    gl.flush();
    if (sync) this.#look(sync);
  }

  #look(sync: WebGLSync): void {
    setTimeout(() => {
      const gl = this.#gl;
      if (gl.isContextLost()) return;
      if (gl.clientWaitSync(sync, 0, 0) === gl.TIMEOUT_EXPIRED) return this.#look(sync);
      gl.deleteSync(sync);
      this.#show();
      this.#isUnderWay = false;
      if (!this.#isOld) return;
      this.#isOld = false;
      this.begin();
    }, 3);
  }

  #show(): void {
    const gl = this.#gl;
    const { width, height, data } = this.#picture;
    gl.bindBuffer(gl.PIXEL_PACK_BUFFER, this.#buffer);
    gl.getBufferSubData(gl.PIXEL_PACK_BUFFER, 0, data);
    gl.bindBuffer(gl.PIXEL_PACK_BUFFER, null);
    if (this.#canvas.width !== width || this.#canvas.height !== height) {
      [this.#canvas.width, this.#canvas.height] = [width, height];
    }
    this.#canvas.getContext('2d')?.putImageData(this.#picture, 0, 0);
  }
}
