/** Pixels of a finished picture, read without waiting for the card: asked for now, there some frames later. */
import type { Device, Target } from './device';

interface Asked {
  buffer: WebGLBuffer;
  fence: WebGLSync;
  bytes: number;
  done(pixels: Uint8Array): void;
}

export class PixelReader {
  private asked: Asked[] = [];

  constructor(private readonly device: Device) {}

  /** @param done gets RGBA from the top */
  ask(picture: Target, done: (pixels: Uint8Array) => void): void {
    const { gl } = this.device;
    const bytes = 4 * picture.width * picture.height;
    const buffer = gl.createBuffer();
    gl.bindBuffer(gl.PIXEL_PACK_BUFFER, buffer);
    gl.bufferData(gl.PIXEL_PACK_BUFFER, bytes, gl.STREAM_READ);
    this.device.bind(picture);
    gl.readPixels(0, 0, picture.width, picture.height, gl.RGBA, gl.UNSIGNED_BYTE, 0);
    gl.bindBuffer(gl.PIXEL_PACK_BUFFER, null);
    const fence = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0)!;
    gl.flush();
    this.asked.push({ buffer, fence, bytes, done });
  }

  /** Whether anything is still to come. */
  get isWaiting(): boolean {
    return this.asked.length > 0;
  }

  /** To be called at every frame of the screen: hands out what is there. */
  tend(): void {
    const { gl } = this.device;
    while (this.asked.length > 0) {
      const [{ buffer, fence, bytes, done }] = this.asked;
      const state = gl.clientWaitSync(fence, 0, 0);
      if (state === gl.TIMEOUT_EXPIRED) return;
      this.asked.shift();
      gl.deleteSync(fence);
      const pixels = new Uint8Array(bytes);
      if (state !== gl.WAIT_FAILED) {
        gl.bindBuffer(gl.PIXEL_PACK_BUFFER, buffer);
        gl.getBufferSubData(gl.PIXEL_PACK_BUFFER, 0, pixels);
        gl.bindBuffer(gl.PIXEL_PACK_BUFFER, null);
        done(pixels);
      }
      gl.deleteBuffer(buffer);
    }
  }

  dispose(): void {
    const { gl } = this.device;
    for (const { buffer, fence } of this.asked.splice(0)) {
      gl.deleteSync(fence);
      gl.deleteBuffer(buffer);
    }
  }
}
