/**
 * A Moment with only what can matter to the points of a box: sprites, lights, shapes thrown, and the edges that can stand between
 * a light and the box. Any point of it comes to the same bits as in the whole Moment; and most boxes have little in them.
 */
import type { Box } from '../geometry/affine';
import type { Moment, MomentLight, MomentOccluder, MomentPlane } from '../moment/moment';
import { lightsLayer } from './layer-light';
import { overlaps, Reaching } from './reaching';

export class Narrowing {
  /** Beyond everything that could stop parallel light. */
  private readonly farPx: number;

  constructor(private readonly moment: Moment) {
    const boxes = [moment.gate, ...moment.occluders.map(({ box }) => box)];
    const farthest = Math.max(
      ...boxes.flatMap(({ left, top, right, bottom }) => [-left, -top, right, bottom]),
    );
    this.farPx = 8 * Math.max(1, farthest);
  }

  /** @param box scene px: centres of output pixels */
  within(box: Box): Moment {
    const { moment } = this;
    const planes = moment.planes.map((plane) => withSpritesIn(plane, box));
    const occluders: MomentOccluder[] = [];
    const lightIds: string[] = [];
    const lights: MomentLight[] = [];
    // Hard shadows are asked for at places beside the centre of a pixel, and lights in blocks at the middle of a block.
    const halfPx = 0.5 / moment.view.outputPerScenePx;
    moment.lights.forEach((light, i) => {
      const own = grown(box, halfPx + light.blockPx);
      if (light.ambient === 'no' && (!overlaps(light.box, own) || !isWanted(light, planes))) return;
      lightIds.push(moment.lightIds[i]);
      lights.push(this.withStops(light, own, occluders));
    });
    return { ...moment, planes, lights, lightIds, occluders };
  }

  /** @param occluders what stops it is added there */
  private withStops(light: MomentLight, box: Box, occluders: MomentOccluder[]): MomentLight {
    const { moment } = this;
    if (light.occluders.length === 0 && light.casts.length === 0) return light;
    const reaching = new Reaching(light, box, this.farPx + widest(box));
    const own: number[] = [];
    for (const index of light.occluders) {
      const narrowed = reaching.narrowed(moment.occluders[index]);
      if (narrowed) own.push(occluders.push(narrowed) - 1);
    }
    const casts = light.casts.filter((index) => overlaps(moment.casts[index].box, box));
    return { ...light, occluders: own, casts };
  }
}

function withSpritesIn(plane: MomentPlane, box: Box): MomentPlane {
  const layers = plane.layers.map((layer) => ({
    ...layer,
    sprites: layer.sprites.filter((sprite) => overlaps(sprite.box, box)),
  }));
  return { ...plane, layers };
}

/** Whether a light has anything to fall on, or hangs in the air. */
function isWanted(light: MomentLight, planes: readonly MomentPlane[]): boolean {
  if (light.air > 0) return true;
  return planes.some(
    ({ layers, overlay }, index) =>
      !overlay && layers.some((layer) => layer.sprites.length > 0 && lightsLayer(light, index, layer)),
  );
}

function grown({ left, top, right, bottom }: Box, by: number): Box {
  return { left: left - by, top: top - by, right: right + by, bottom: bottom + by };
}

function widest({ left, top, right, bottom }: Box): number {
  return Math.max(Math.abs(left), Math.abs(top), Math.abs(right), Math.abs(bottom));
}
