/**
 * The reference renderer: a Moment to a picture, in doubles and without haste. The GPU renderer is held against it.
 * Cost: output pixels times (sprites that cover them + lights that reach them times edges).
 */
import { marginOutputPx, widenedBy } from '../finish/frame';
import { pictureMarginPx } from '../finish/picture-margin';
import type { Moment, PictureSource } from '../moment/moment';
import { emptyImage, type Image } from '../raster/image';
import { cropped, finishLight, frameOf, lightPicture, print } from './finished';
import { PointRenderer } from './point-renderer';

/** The picture that a Moment shows, opaque, 8-bit. */
export function renderReference(moment: Moment, source: PictureSource): Image {
  const { widthPx: width, heightPx: height } = moment.view;
  const frame = frameOf(moment, source);
  const margin = marginOutputPx(moment.view, pictureMarginPx(moment, frame));
  const wide = { ...moment, view: widenedBy(moment.view, margin) };
  const lit = lightPicture(wide, source);
  const isLinear = finishLight(moment, lit, { ...frame, view: wide.view });
  const picture = cropped(lit, margin, width, height);
  print(moment, picture, isLinear, frame);
  const point = new PointRenderer(moment, source);
  const image = emptyImage(width, height);
  const values = new Float64Array(3);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      for (let c = 0; c < 3; c++) values[c] = picture.data[3 * i + c];
      point.encode(values, x, y, image.data, 4 * i);
    }
  }
  return image;
}
