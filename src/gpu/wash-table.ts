/**
 * The washes of a Moment as the last pass reads them: a table, and, where they are gentle enough, their colours worked out a
 * few px apart. These stand from frame to frame until a wash or the view is another.
 */
import type { Moment } from '@/core/moment/moment';
import { sameItems } from '@/core/same-items';
import {
  washLattice,
  washTable,
  washUniforms,
  WASH_TABLE_ROWS,
  WASH_TABLE_WIDTH,
} from '@/core/weather/wash.glsl';
import type { Device, Target } from './device';
import { washColoursProgram, type WashReading } from './shaders/washes';

export interface DrawnWashes {
  reading: WashReading;
  count: number;
  uniforms: Record<string, number | readonly number[]>;
  textures: Record<string, WebGLTexture>;
}

/** Colours are worked out at most so far apart, output px; nearer than the other it is not worth it. */
const WIDEST_STEP_PX = 32;
const NARROWEST_STEP_PX = 3;

export class WashTable {
  private texture: WebGLTexture | null = null;
  private colours: Target | null = null;
  /** What the colours were made of. */
  private made: readonly unknown[] = [];

  constructor(private readonly device: Device) {}

  /** What the last pass is told; null where there is no wash. */
  of({ washes, view, lightSpace }: Moment): DrawnWashes | null {
    if (washes.length === 0) return null;
    const { device } = this;
    const { gl } = device;
    const table = washTable(washes, view.x, view.y);
    this.texture ??= device.texture(
      ...([WASH_TABLE_WIDTH, WASH_TABLE_ROWS, gl.RGBA32F, gl.RGBA, gl.FLOAT, null, 16] as const),
    );
    gl.bindTexture(gl.TEXTURE_2D, this.texture);
    gl.texSubImage2D(gl.TEXTURE_2D, 0, 0, 0, WASH_TABLE_WIDTH, WASH_TABLE_ROWS, gl.RGBA, gl.FLOAT, table);
    const count = Math.min(WASH_TABLE_ROWS, washes.length);
    const uniforms = { u_washPerPx: view.outputPerScenePx, ...washUniforms(washes, view.x, view.y) };
    const step = Math.min(WIDEST_STEP_PX, Math.floor(washLattice(washes) * view.outputPerScenePx));
    if (step < NARROWEST_STEP_PX)
      return { reading: 'exact', count, uniforms, textures: { u_washes: this.texture } };
    const width = Math.ceil(view.widthPx / step) + 2;
    const height = Math.ceil(view.heightPx / step) + 2;
    // How strong a wash is changes over the day; what it looks like does not.
    const of = [view.x, view.y, lightSpace, ...washes.flatMap(({ points }) => [...points])];
    const colours = this.coloursOf(width, height, step, view.outputPerScenePx, lightSpace === 'linear', of);
    // From a place in the scene to that between the colours.
    const perColour = view.outputPerScenePx / step;
    const rows = height * WASH_TABLE_ROWS;
    return {
      reading: 'near',
      count,
      uniforms: { ...uniforms, u_washRead: [perColour / width, perColour / rows, 0.5 / width, 0.5 / rows] },
      textures: { u_washColours: colours.textures[0] },
    };
  }

  private coloursOf(
    width: number,
    height: number,
    step: number,
    perPx: number,
    isLinear: boolean,
    of: readonly unknown[],
  ): Target {
    const { device } = this;
    const { gl } = device;
    const wanted = [width, height, step, perPx, ...of];
    if (this.colours && sameItems(this.made, wanted)) return this.colours;
    this.made = wanted;
    const rows = height * WASH_TABLE_ROWS;
    if (this.colours && (this.colours.width !== width || this.colours.height !== rows)) {
      device.dropTarget(this.colours);
      this.colours = null;
    }
    const colours = (this.colours ??= device.target(width, rows, 'half'));
    gl.bindTexture(gl.TEXTURE_2D, colours.textures[0]);
    for (const filter of [gl.TEXTURE_MIN_FILTER, gl.TEXTURE_MAG_FILTER])
      gl.texParameteri(gl.TEXTURE_2D, filter, gl.LINEAR);
    device.bind(colours);
    device.blend('none');
    const isScissored = gl.isEnabled(gl.SCISSOR_TEST);
    gl.disable(gl.SCISSOR_TEST);
    device.program(washColoursProgram(isLinear)).use(
      {
        u_targetPx: [width, rows],
        u_targetOrigin: [0, 0],
        u_box: [0, 0, width, rows],
        u_washStep: step,
        u_washPerPx: perPx,
        u_washHeight: height,
      },
      { u_washes: this.texture! },
    );
    device.drawBox();
    if (isScissored) gl.enable(gl.SCISSOR_TEST);
    return colours;
  }
}
