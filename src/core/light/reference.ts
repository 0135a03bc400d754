/**
 * The reference renderer: a Moment to a picture, in doubles. The GPU renderer is held against it. Its light can be worked out
 * by rows, on several threads; the finish takes the whole of it.
 * Cost: output pixels times (sprites that cover them + lights that reach them times edges that can stop those).
 */
import type { FinishFrame } from '../finish/frame';
import { marginOutputPx, widenedBy } from '../finish/frame';
import type { FloatPicture } from '../finish/pass';
import { pictureMarginPx } from '../finish/picture-margin';
import type { Moment, PictureSource } from '../moment/moment';
import { emptyImage, type Image } from '../raster/image';
import { cropped, finishLight, frameOf, print } from './finished';
import { lightPicture } from './light-picture';
import { PointRenderer } from './point-renderer';

/** What is to be drawn: the light of `wide`, which has a margin for what reaches into the picture, then its finish. */
export interface ReferencePlan {
  moment: Moment;
  frame: FinishFrame;
  margin: number;
  wide: Moment;
}

export function referencePlan(moment: Moment, source: PictureSource): ReferencePlan {
  const frame = frameOf(moment, source);
  const margin = marginOutputPx(moment.view, pictureMarginPx(moment, frame));
  return { moment, frame, margin, wide: { ...moment, view: widenedBy(moment.view, margin) } };
}

/** The picture that a Moment shows, opaque, 8-bit. */
export function renderReference(moment: Moment, source: PictureSource): Image {
  const plan = referencePlan(moment, source);
  return finishReference(plan, source, lightPicture(plan.wide, source));
}

/** @param lit the light of the plan's `wide`; overwritten */
export function finishReference(
  { moment, frame, margin, wide }: ReferencePlan,
  source: PictureSource,
  lit: FloatPicture,
): Image {
  const { widthPx: width, heightPx: height } = moment.view;
  const isLinear = finishLight(moment, lit, { ...frame, view: wide.view });
  const picture = cropped(lit, margin, width, height);
  print(moment, picture, isLinear, frame);
  const point = new PointRenderer(moment, source);
  const image = emptyImage(width, height);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) point.encode(picture.data, 3 * i, x, y, image.data, 4 * i);
  return image;
}
