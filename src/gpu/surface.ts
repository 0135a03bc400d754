/** What pictures of one size are drawn with: where light is added up, layers are gathered, and sums lie. */
import type { Target } from './device';
import { LayerLights } from './layer-light';
import { LayerPass } from './layer-pass';
import type { SharedParts } from './shared-parts';

/** The stage, small pictures beside it, and the gate as it is metered: each size that is drawn again and again keeps its own. */
const MOST_SIZES = 4;

/** Overlay planes in display values, and one layer of them in light space. */
export interface OverlayTargets {
  whole: Target;
  layer: Target;
}

export class Surface {
  /** The picture before its finish. */
  readonly light: Target;
  readonly lights: LayerLights;
  readonly layers: LayerPass;
  private overlayTargets: OverlayTargets | null = null;

  constructor(
    private readonly shared: SharedParts,
    readonly width: number,
    readonly height: number,
  ) {
    const { device, sprites } = shared;
    this.light = device.target(width, height, 'float');
    this.lights = new LayerLights(shared, width, height);
    this.layers = new LayerPass(device, sprites, this.lights);
  }

  /** Made when a scene first has an overlay plane. */
  get overlay(): OverlayTargets {
    const target = () => this.shared.device.target(this.width, this.height, 'float');
    return (this.overlayTargets ??= { whole: target(), layer: target() });
  }

  dispose(): void {
    this.lights.dispose();
    this.layers.dispose();
    const { device } = this.shared;
    for (const target of [this.light, ...Object.values(this.overlayTargets ?? {})]) device.dropTarget(target);
  }
}

/** Surfaces by size, the one that was used last first. */
export class Surfaces {
  private all: Surface[] = [];

  constructor(private readonly shared: SharedParts) {}

  of(width: number, height: number): Surface {
    const found = this.all.find((one) => one.width === width && one.height === height);
    const rest = this.all.filter((one) => one !== found);
    for (const old of rest.splice(MOST_SIZES - 1)) old.dispose();
    const surface = found ?? new Surface(this.shared, width, height);
    this.all = [surface, ...rest];
    return surface;
  }
}
