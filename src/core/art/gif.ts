/** GIF files: the pictures that their frames make, each as it is seen. `omggif` finds the blocks, pixels are read here. */
import { GifReader, type Frame } from 'omggif';
import { InputFault, wordsOf } from '../faults';
import { LIMITS } from '../limits';
import { emptyImage, type Image } from '../raster/image';
import { checkSide } from '../raster/picture-kind';
import { composed, sheetColumns, tidySeconds, type Animation, type Patch } from './animated';
import { gifIndices, interlacedRows } from './gif-pixels';

const HEADER_BYTES = 13;

/** @throws InputFault in words */
export function readGif(bytes: Uint8Array): Animation {
  if (bytes.length < HEADER_BYTES) throw new InputFault('The GIF file is cut off.');
  if (bytes.length > LIMITS.pictureBytes) throw new InputFault('The GIF file is too large.');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [width, height] = [view.getUint16(6, true), view.getUint16(8, true)];
  checkSide({ width, height });
  const reader = opened(bytes);
  const count = reader.numFrames();
  if (count === 0) throw new InputFault('The GIF file holds no picture.');
  sheetColumns(count, width, height);
  const frames = Array.from({ length: count }, (_, i) => reader.frameInfo(i));
  const patches = frames.map((info, i): Patch => {
    // Checked before room is made for it.
    if (info.width === 0 || info.height === 0 || info.x + info.width > width || info.y + info.height > height)
      throw new InputFault(
        `Picture ${i + 1} of the animation lies beyond its ${width} x ${height} px (${info.width} x ${info.height} px at ${info.x}, ${info.y}).`,
      );
    const image = imageOf(bytes, info, i);
    const then = info.disposal === 2 ? 'clears' : info.disposal === 3 ? 'returns' : 'stays';
    return { image, x: info.x, y: info.y, over: true, then };
  });
  return {
    shown: composed(width, height, patches).map((image, i) => ({
      image,
      seconds: tidySeconds(frames[i].delay / 100),
    })),
    loop: reader.loopCount() === null ? 'once' : 'round',
  };
}

function opened(bytes: Uint8Array): GifReader {
  try {
    return new GifReader(bytes);
  } catch (cause) {
    throw new InputFault(`The GIF file is damaged or cut off (${wordsOf(cause)}).`, null, { cause });
  }
}

function imageOf(bytes: Uint8Array, info: Frame, number: number): Image {
  const { width, height, palette_offset: palette, palette_size: colours, transparent_index: clear } = info;
  const image = emptyImage(width, height);
  try {
    if (palette === null || colours === null) throw new InputFault('it has no palette');
    const indices = gifIndices(bytes, info.data_offset, width * height);
    const rows = info.interlaced ? interlacedRows(height) : null;
    for (let i = 0; i < indices.length; i++) {
      const index = indices[i];
      if (index === clear) continue;
      if (index >= colours) throw new InputFault(`colour ${index} is not in its palette`);
      const row = Math.floor(i / width);
      const to = 4 * ((rows ? rows[row] : row) * width + (i % width));
      const from = palette + 3 * index;
      image.data.set([bytes[from], bytes[from + 1], bytes[from + 2], 255], to);
    }
  } catch (cause) {
    throw new InputFault(`Picture ${number + 1} of the GIF file is damaged: ${wordsOf(cause)}.`, null, {
      cause,
    });
  }
  return image;
}
