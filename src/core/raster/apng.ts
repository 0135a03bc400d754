/** Writes moving pictures as APNG (PNG specification, third edition): whole opaque frames that follow each other for ever. */
import { concatenated } from './bytes';
import { opaqueRows } from './png-write';
import { pngChunk, PNG_SIGNATURE } from './png-chunks';
import type { Deflate } from './png-write';
import type { Image } from './image';

export class ApngWriter {
  private readonly chunks: Uint8Array[] = [];
  private frames = 0;
  /** Of the chunks of frames, counted through. */
  private sequence = 0;

  /** @param rate frames a second, whole */
  constructor(
    private readonly width: number,
    private readonly height: number,
    private readonly rate: number,
    private readonly deflate: Deflate,
  ) {
    if (!Number.isInteger(rate) || rate < 1)
      throw new RangeError(`expected whole frames a second, got ${rate}`);
  }

  /** @param picture of the size that was said; its alpha is not kept */
  async add(picture: Image): Promise<void> {
    const { width, height } = this;
    if (picture.width !== width || picture.height !== height)
      throw new RangeError(`expected a frame of ${width}x${height}, got ${picture.width}x${picture.height}`);
    const control = new DataView(new ArrayBuffer(26));
    control.setUint32(0, this.sequence++);
    control.setUint32(4, width);
    control.setUint32(8, height);
    // It lies at the corner, stands for 1 / rate of a second, and takes the place of all that was there.
    control.setUint16(20, 1);
    control.setUint16(22, this.rate);
    this.chunks.push(pngChunk('fcTL', new Uint8Array(control.buffer)));
    const data = await this.deflate(opaqueRows(picture));
    if (this.frames++ === 0) this.chunks.push(pngChunk('IDAT', data));
    else {
      const numbered = new Uint8Array(data.length + 4);
      new DataView(numbered.buffer).setUint32(0, this.sequence++);
      numbered.set(data, 4);
      this.chunks.push(pngChunk('fdAT', numbered));
    }
  }

  /** @returns the file's bytes */
  file(): Uint8Array {
    const header = new DataView(new ArrayBuffer(13));
    header.setUint32(0, this.width);
    header.setUint32(4, this.height);
    // Eight bits of red, green and blue.
    header.setUint8(8, 8);
    header.setUint8(9, 2);
    const control = new DataView(new ArrayBuffer(8));
    control.setUint32(0, this.frames);
    return concatenated([
      PNG_SIGNATURE,
      pngChunk('IHDR', new Uint8Array(header.buffer)),
      pngChunk('acTL', new Uint8Array(control.buffer)),
      ...this.chunks,
      pngChunk('IEND', new Uint8Array(0)),
    ]);
  }
}
