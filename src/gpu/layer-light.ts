/**
 * The light of one layer: a target for each sum that the layer needs (see docs/light.md), filled light by light. Twin of
 * core/light/layer-light.ts.
 */
import { fallsOn } from '@/core/light/cast';
import type { Rgb } from '@/core/raster/colour';
import type { Moment, MomentLayer, MomentLight, MomentPlane, PictureSource } from '@/core/moment/moment';
import type { BlendMode, Device, Target } from './device';
import { KeptSums, type Lit } from './kept-sums';
import type { LightBatch, LightDraw } from './light-batch';
import { HALF_FLOAT_GROUP } from './float-format';
import { outputBox } from './output-box';
import type { PictureCache } from './picture-textures';
import { CAST_PROGRAM } from './shaders/cast';
import { ADD_PROGRAM } from './shaders/box';
import type { ShadowMasks } from './shadow-masks';
import type { ShadowPlanner } from './shadow-plan';
import type { SharedParts } from './shared-parts';

/** The sums of a layer; null where nothing gives to one. */
export interface LayerSums {
  add: Target | null;
  lighten: Target | null;
  /** What lights that uncover leave covered. */
  covered: Target | null;
  taken: Target | null;
  rim: Target | null;
  /** Ambient lights in the place of the scene's: sum and weight. */
  instead: Target | null;
  added: Target | null;
}

type SumName = keyof LayerSums;

const SUMS: Record<SumName, { cleared: number; blend: BlendMode }> = {
  add: { cleared: 0, blend: 'add' },
  lighten: { cleared: 0, blend: 'max' },
  covered: { cleared: 1, blend: 'multiplyInverse' },
  taken: { cleared: 0, blend: 'add' },
  rim: { cleared: 0, blend: 'add' },
  instead: { cleared: 0, blend: 'add' },
  added: { cleared: 0, blend: 'add' },
};

/** Where the sum of a light goes. */
export function sumOf({ ambient, rim, blend }: MomentLight): SumName {
  if (ambient === 'instead') return 'instead';
  if (ambient === 'added') return 'added';
  if (rim) return 'rim';
  return { add: 'add', lighten: 'lighten', uncover: 'covered', subtract: 'taken' }[blend] as SumName;
}

/** The ambient light of a layer where it is the same all over: ambient lights without outlines. */
export function evenAmbient({ ambient }: Moment, lights: readonly MomentLight[]): Rgb {
  let instead = 0;
  const sum = [0, 0, 0];
  const added = [0, 0, 0];
  for (const light of lights) {
    if (light.ambient === 'instead') instead++;
    const into = light.ambient === 'instead' ? sum : added;
    for (let c = 0; c < 3; c++) into[c] += light.rgb[c];
  }
  return ambient.map(
    (v, c) => (v * Math.max(0, 1 - instead) + sum[c]) / Math.max(1, instead) + added[c],
  ) as Rgb;
}

export class LayerLights {
  private readonly targets = new Map<string, Target>();
  private readonly size: { width: number; height: number };
  private scissor: readonly number[] = [0, 0, 0, 0];
  private readonly device: Device;
  private readonly batch: LightBatch;
  private readonly masks: ShadowMasks;
  private readonly planner: ShadowPlanner;
  private readonly pictures: PictureCache;
  private readonly sums: KeptSums;
  /** Whether sums of lights that stand still are kept: not of pictures that are drawn once. */
  keepsSums = false;

  constructor(
    { device, lights, masks, planner, pictures, sumBytes }: SharedParts,
    width: number,
    height: number,
  ) {
    this.size = { width, height };
    this.device = device;
    this.batch = lights;
    this.masks = masks;
    this.planner = planner;
    this.pictures = pictures;
    this.sums = new KeptSums(device, width, height, sumBytes);
  }

  dispose(): void {
    for (const target of this.targets.values()) this.device.dropTarget(target);
    this.sums.dispose();
  }

  /** To be called once a picture. */
  tidy(): void {
    this.sums.tidy();
  }

  /** All that is drawn from here on is cut to a box of output pixels. */
  within(box: readonly number[]): void {
    this.scissor = box;
    const [left, top, right, bottom] = box;
    this.device.gl.scissor(left, top, right - left, bottom - top);
  }

  /**
   * Fills the sums of a layer within the box that is set.
   * @param lights those that reach it, ambient lights only where one of them has an outline
   * @param normal facings of the layer
   */
  fill(
    moment: Moment,
    plane: MomentPlane,
    layer: MomentLayer,
    lights: readonly MomentLight[],
    normal: WebGLTexture,
    source: PictureSource,
  ): LayerSums {
    const sums: LayerSums = {
      add: null,
      lighten: null,
      covered: null,
      taken: null,
      rim: null,
      instead: null,
      added: null,
    };
    const bySum = new Map<SumName, MomentLight[]>();
    for (const light of lights) {
      const name = sumOf(light);
      const group = bySum.get(name);
      if (group) group.push(light);
      else bySum.set(name, [light]);
    }
    for (const [name, group] of bySum) {
      const target = this.target(name, 'float');
      sums[name] = target;
      this.device.bind(target);
      const { cleared } = SUMS[name];
      this.device.gl.clearColor(cleared, cleared, cleared, 0);
      this.device.gl.clear(this.device.gl.COLOR_BUFFER_BIT);
      const isAmbient = name === 'instead' || name === 'added';
      const draw: LightDraw = {
        moment,
        plane,
        source,
        ...this.size,
        gives: isAmbient ? 'ambient' : 'surface',
        normal: isAmbient ? null : normal,
        isCapped: name === 'covered',
      };
      const lit = group.map((light) => this.litBy(light, layer, draw));
      if (name === 'add' && this.keepsSums) this.drawKept(lit, target, layer, draw);
      else this.draw(lit, target, SUMS[name].blend, draw);
    }
    return sums;
  }

  /** Adds what hangs in the air over a picture. */
  addAir(
    moment: Moment,
    plane: MomentPlane,
    lights: readonly MomentLight[],
    picture: Target,
    source: PictureSource,
  ): void {
    const draw: LightDraw = {
      moment,
      plane,
      source,
      ...this.size,
      gives: 'air',
      normal: null,
      isCapped: false,
    };
    const layer = { takesShadows: true, takesCasts: false };
    this.draw(
      lights.map((light) => this.litBy(light, layer, draw)),
      picture,
      'add',
      draw,
    );
  }

  /** Adds up lights over what stands still among them. */
  private drawKept(lit: readonly Lit[], target: Target, layer: MomentLayer, draw: LightDraw): void {
    const { kept, toSum, into, rest } = this.sums.part(layer, lit, draw.moment, this.pictures.changes);
    if (into) {
      this.clear(into);
      this.draw(toSum, into, 'add', draw);
    }
    const from = kept ?? into;
    if (from) this.device.copy(from, target, this.scissor);
    this.draw(rest, target, 'add', draw);
  }

  private clear(target: Target): void {
    const { gl } = this.device;
    this.device.bind(target);
    gl.clearColor(0, 0, 0, 0);
    gl.clear(gl.COLOR_BUFFER_BIT);
  }

  /** Draws lights into a target: those with shadows one by one under their masks, the others together. */
  private draw(lit: readonly Lit[], target: Target, blend: BlendMode, draw: LightDraw): void {
    const isShaded = ({ plan, hasCasts }: Lit) => plan !== null || hasCasts;
    const open = lit.filter((one) => !isShaded(one)).map(({ light }) => light);
    if (blend === 'add' && open.length > HALF_FLOAT_GROUP && this.device.floats.name === 'RGBA16F')
      this.addInGroups(open, target, draw);
    else {
      this.device.bind(target);
      this.device.blend(blend);
      this.batch.drawOpen(open, draw);
    }
    for (const { light, plan, hasCasts } of lit.filter(isShaded)) {
      // Of one light at a time: the next mask may take the place of this one, and shapes share their target.
      const mask = plan && this.unscissored(() => this.masks.get(plan, draw.moment));
      const casts = hasCasts ? this.drawnCasts(light, draw) : null;
      this.device.bind(target);
      this.device.blend(blend);
      this.batch.drawOne(light, { mask, casts }, draw);
    }
  }

  private unscissored<T>(work: () => T): T {
    const { gl } = this.device;
    gl.disable(gl.SCISSOR_TEST);
    const result = work();
    gl.enable(gl.SCISSOR_TEST);
    this.within(this.scissor);
    return result;
  }

  /** Adds up lights group by group: what is small beside the sum of all is not beside that of its group. */
  private addInGroups(lights: readonly MomentLight[], target: Target, draw: LightDraw): void {
    const { device } = this;
    const group = this.target('group', 'float');
    for (let from = 0; from < lights.length; from += HALF_FLOAT_GROUP) {
      this.clear(group);
      device.blend('add');
      this.batch.drawOpen(lights.slice(from, from + HALF_FLOAT_GROUP), draw);
      device.bind(target);
      device.program(ADD_PROGRAM).use(
        {
          u_targetPx: [target.width, target.height],
          u_targetOrigin: [0, 0],
          u_box: this.scissor,
        },
        { u_sum: group.textures[0] },
      );
      device.drawBox();
    }
  }

  /** A light with what keeps it from part of a layer. */
  private litBy(
    light: MomentLight,
    { takesShadows, takesCasts }: Pick<MomentLayer, 'takesShadows' | 'takesCasts'>,
    { moment, plane, source }: LightDraw,
  ): Lit {
    const { gobo } = light;
    const picture = gobo ? source(moment.pictures[gobo.picture].key) : null;
    if (!takesShadows || light.ambient !== 'no') return { light, plan: null, hasCasts: false, picture };
    const plan = light.occluders.length > 0 ? this.planner.planFor(light, plane) : null;
    return { light, plan, hasCasts: takesCasts && light.casts.length > 0, picture };
  }

  /** The shapes of standing sprites in a light, drawn. */
  private drawnCasts(light: MomentLight, { moment, plane, source }: LightDraw): WebGLTexture {
    const { device, pictures } = this;
    const { gl } = device;
    const { view } = moment;
    const target = this.target('casts', 'half');
    device.bind(target);
    gl.clearColor(1, 1, 1, 1);
    gl.clear(gl.COLOR_BUFFER_BIT);
    device.blend('multiply');
    const number = moment.planes.indexOf(plane);
    for (const index of light.casts) {
      if (!fallsOn(moment.casts[index], number)) continue;
      const { picture, frame, inverse: m, above, spread, opacity, box } = moment.casts[index];
      const { key } = moment.pictures[picture];
      const place = pictures.get(key, source(key), moment.lightSpace);
      const room = light.blockPx;
      const around = outputBox(view, {
        left: box.left - room,
        top: box.top - room,
        right: box.right + room,
        bottom: box.bottom + room,
      });
      if (!place || !around) continue;
      device.program(CAST_PROGRAM).use(
        {
          u_targetPx: [target.width, target.height],
          u_targetOrigin: [0, 0],
          u_origin: [0, 0],
          u_box: around,
          u_outputPerScenePx: view.outputPerScenePx,
          u_layer: place.layer,
          u_frame: [frame.left + place.x, frame.top + place.y, frame.right + place.x, frame.bottom + place.y],
          u_inverse: [m.a, m.b, m.c, m.d],
          u_at: [m.a * view.x + m.c * view.y + m.e, m.b * view.x + m.d * view.y + m.f],
          u_above: [above[0], above[1], above[0] * view.x + above[1] * view.y + above[2]],
          u_spread: spread,
          u_opacity: opacity,
          u_nearest: moment.pixelArt,
          u_blockPx: room,
          u_planeOrigin: [plane.originX - view.x, plane.originY - view.y],
        },
        { u_art: place.arrays.art },
      );
      device.drawBox();
    }
    return target.textures[0];
  }

  private target(name: string, kind: 'float' | 'half'): Target {
    let target = this.targets.get(name);
    if (!target) {
      const { width, height } = this.size;
      this.targets.set(name, (target = this.device.target(width, height, kind)));
    }
    return target;
  }
}
