/** What lights cost: an estimate in lit pixels, the same on every machine, to see which of them costs most. */
import type { Moment, MomentLayer, MomentLight } from '../moment/moment';

/** A shadow of this many edges costs as much again as the light, hard, and this many times that, soft. */
const EDGES = 130;
const SOFT = 2;

export interface LightCost {
  id: string;
  /** Output pixels that it is drawn over, on all layers that it reaches. */
  pixels: number;
  /** Edges that may stop it; 0 without shadows. */
  edges: number;
  /** Pixels, with those of its shadow as if they were pixels too. */
  cost: number;
}

export interface FrameCost {
  lights: LightCost[];
  /** Lit pixels for each pixel of the view. */
  overdraw: number;
  edges: number;
}

export function costOf(moment: Moment): FrameCost {
  const { view } = moment;
  const lights = moment.lights.map((light, i) => lightCost(moment, light, moment.lightIds[i]));
  const pixels = lights.reduce((sum, light) => sum + light.pixels, 0);
  return {
    lights,
    overdraw: pixels / Math.max(1, view.widthPx * view.heightPx),
    edges: lights.reduce((sum, light) => sum + light.edges, 0),
  };
}

function lightCost(moment: Moment, light: MomentLight, id: string): LightCost {
  let pixels = 0;
  moment.planes.forEach(({ layers, overlay }, index) => {
    if (overlay || index < light.spanFar || index > light.spanNear) return;
    for (const layer of layers) if (layer.listens & light.feeds) pixels += litPixels(moment, light, layer);
  });
  const edges = light.occluders.reduce(
    (sum, i) => sum + moment.occluders[i].pieces.reduce((all, piece) => all + piece.edges.length / 4, 0),
    0,
  );
  const shadow = edges === 0 ? 0 : (edges / EDGES) * (light.size > 0 ? SOFT : 1);
  return { id, pixels, edges, cost: pixels * (1 + shadow) };
}

/** Output pixels of the view in which a light's box and a layer's sprites meet. */
function litPixels({ view }: Moment, { box }: MomentLight, { sprites }: MomentLayer): number {
  const scale = view.outputPerScenePx;
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const sprite of sprites) {
    left = Math.min(left, sprite.box.left);
    top = Math.min(top, sprite.box.top);
    right = Math.max(right, sprite.box.right);
    bottom = Math.max(bottom, sprite.box.bottom);
  }
  const width = Math.min(right, box.right, view.x + view.widthPx / scale) - Math.max(left, box.left, view.x);
  const height =
    Math.min(bottom, box.bottom, view.y + view.heightPx / scale) - Math.max(top, box.top, view.y);
  return width > 0 && height > 0 ? width * height * scale * scale : 0;
}
