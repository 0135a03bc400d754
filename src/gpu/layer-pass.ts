/** One layer onto the picture: straight where the light on it is even, else gathered into sums, lit and composited. */
import type { Moment, MomentLayer, MomentLight, MomentPlane, PictureSource } from '@/core/moment/moment';
import type { Device, Target } from './device';
import { evenAmbient, type LayerLights, type LayerSums } from './layer-light';
import { layerBox } from './output-box';
import type { SpriteBatch } from './sprite-batch';
import { compositeProgram } from './shaders/picture';

/** What a layer is drawn with. */
export interface LayerDraw {
  moment: Moment;
  plane: MomentPlane;
  layer: MomentLayer;
  /** Those whose span reaches the plane. */
  lights: readonly MomentLight[];
  source: PictureSource;
  picture: Target;
}

interface Gathered {
  target: Target;
  hasGlow: boolean;
  hasRims: boolean;
}

export class LayerPass {
  /** Albedo, normal, and glow or rims; and the first two alone, for layers that have neither. */
  private whole: Target | null = null;
  private dark: Target | null = null;
  /** With both glow and rims; made when the first such layer is lit. */
  private rims: Target | null = null;

  constructor(
    private readonly device: Device,
    private readonly sprites: SpriteBatch,
    private readonly lights: LayerLights,
  ) {}

  dispose(): void {
    for (const target of [this.whole, this.rims]) if (target) this.device.dropTarget(target);
  }

  /** @returns how many lights it was lit by; null where nothing of it is in view */
  draw(draw: LayerDraw): number | null {
    const { moment, layer, lights } = draw;
    const box = layerBox(moment.view, layer.sprites);
    if (!box) return null;
    this.lights.within(box);
    const wired = lights.filter(
      (light) => (light.feeds & layer.listens) !== 0 && reaches(moment, light, box),
    );
    const isHidden = layer.seenGain !== null && !moment.unlit;
    if (!isHidden && wired.every(isEven)) {
      this.drawEven(draw, wired);
      return 0;
    }
    // Ambient lights that are the same all over are reckoned here, unless one of them has an outline.
    const ambient = wired.filter((light) => light.ambient !== 'no');
    const isAmbientEven = ambient.every(isEven);
    const drawn = isAmbientEven ? wired.filter((light) => light.ambient === 'no') : wired;
    const gathered = this.gather(
      draw,
      drawn.some(({ rim }) => rim),
    );
    const [, normal] = gathered.target.textures;
    const sums = this.lights.fill(moment, draw.plane, layer, drawn, normal, draw.source);
    const even = isAmbientEven ? evenAmbient(moment, ambient) : moment.ambient;
    this.composite(draw, gathered, sums, even, box);
    return drawn.length;
  }

  private drawEven(
    { moment, plane, layer, source, picture }: LayerDraw,
    ambient: readonly MomentLight[],
  ): void {
    const { device } = this;
    const even = moment.unlit
      ? [1, 1, 1]
      : evenAmbient(moment, ambient).map((v, c) => v + moment.workLamp[c]);
    device.bind(picture);
    device.blend('over');
    this.sprites.draw(layer.sprites, { moment, plane, mode: 'direct', source, target: picture, even });
  }

  private gather({ moment, plane, layer, source, picture }: LayerDraw, hasRims: boolean): Gathered {
    const { device } = this;
    const { gl } = device;
    // Mist is laid on as what glows is.
    const hasMist = moment.drifts.some(({ kind }, i) => kind === 'mist' && plane.drifts[i] > 0);
    const hasGlow = hasMist || this.sprites.glows(layer.sprites, moment, source);
    const target = this.targetFor(picture, hasGlow, hasRims);
    device.bind(target);
    gl.clearColor(0, 0, 0, 0);
    gl.clear(gl.COLOR_BUFFER_BIT);
    // Alone on cleared sums a sprite lies over nothing.
    device.blend(layer.sprites.length === 1 ? 'none' : 'over');
    const mode = hasRims ? 'gather rims' : 'gather';
    this.sprites.draw(layer.sprites, { moment, plane, mode, source, target, even: [0, 0, 0], hasGlow });
    return { target, hasGlow, hasRims };
  }

  private targetFor({ width, height }: Target, hasGlow: boolean, hasRims: boolean): Target {
    const { device } = this;
    if (hasRims && hasGlow) return (this.rims ??= device.target(width, height, 'float', 4));
    this.whole ??= device.target(width, height, 'float', 3);
    if (hasGlow || hasRims) return this.whole;
    return (this.dark ??= device.partOf(this.whole, 2));
  }

  private composite(
    { moment, layer, picture }: LayerDraw,
    { target, hasGlow, hasRims }: Gathered,
    sums: LayerSums,
    ambient: readonly number[],
    box: readonly number[],
  ): void {
    const { device } = this;
    const isSeenWhenLit = layer.seenGain !== null && !moment.unlit;
    const there = (Object.keys(sums) as (keyof LayerSums)[]).filter((name) => sums[name] !== null);
    const [albedo, , third, fourth] = target.textures;
    device.bind(picture);
    device.blend('over');
    device.program(compositeProgram({ sums: there, hasGlow, isSeenWhenLit })).use(
      {
        u_targetPx: [picture.width, picture.height],
        u_targetOrigin: [0, 0],
        u_box: box,
        u_ambient: ambient,
        u_workLamp: moment.workLamp,
        ...(isSeenWhenLit ? { u_gain: layer.seenGain! } : {}),
      },
      {
        u_albedo: albedo,
        ...(hasGlow ? { u_glow: third } : {}),
        ...(hasRims && sums.rim ? { u_rims: hasGlow ? fourth : third } : {}),
        ...Object.fromEntries(there.map((name) => [`u_${name}`, sums[name]!.textures[0]])),
      },
    );
    device.drawBox();
  }
}

/** Whether a light is a part of the ambient that is the same all over. */
function isEven({ ambient, figure }: MomentLight): boolean {
  return ambient !== 'no' && figure === 'even';
}

/** Whether a light reaches into a box of output pixels; blocks reach as far as they do. */
function reaches(
  { view }: Moment,
  { box, blockPx }: MomentLight,
  [left, top, right, bottom]: readonly number[],
): boolean {
  const scale = view.outputPerScenePx;
  return (
    (box.right + blockPx - view.x) * scale >= left &&
    (box.left - blockPx - view.x) * scale <= right &&
    (box.bottom + blockPx - view.y) * scale >= top &&
    (box.top - blockPx - view.y) * scale <= bottom
  );
}
