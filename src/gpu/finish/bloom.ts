/** The glow as a chain of halvings and doublings. @see src/core/finish/bloom.ts */
import { firstLevel, glowGrid, lastLevel, type BloomNumbers, type GlowGrid } from '@/core/finish/bloom';
import type { FinishFrame } from '@/core/finish/frame';
import type { Device, ProgramRecord, Target } from '../device';
import { BOX_VERTEX } from '../shaders/box';
import { HEADER } from '../shaders/common';
import { lookingCode, lookingName, type LookedAt, type Looking } from './looking';
import { NamedTargets, whole } from './targets';

/** A level, and where its cells are counted from. */
interface Level {
  grid: GlowGrid;
  target: Target;
}

/** The mean of what glows of the pixels in a cell, by how much of each lies in it. */
const ANY_CELL = `
  vec2 from = floor(gl_FragCoord.xy) * u_cell + u_firstCell;
  vec2 to = from + u_cell;
  ivec2 first = max(ivec2(0), ivec2(floor(from)));
  ivec2 end = min(textureSize(u_picture, 0), ivec2(ceil(to)));
  for (int y = first.y; y < end.y; y++) {
    float high = min(float(y + 1), to.y) - max(float(y), from.y);
    for (int x = first.x; x < end.x; x++) {
      float wide = min(float(x + 1), to.x) - max(float(x), from.x);
      vec3 c = seenAt(ivec2(x, y));
      sum += c * (glowShare(max(c.r, max(c.g, c.b))) * wide * high);
    }
  }`;

/** The same where cells hold whole pixels. @param side px */
const wholeCell = (side: number) => `
  ivec2 from = ivec2(gl_FragCoord.xy) * ${side} + ivec2(u_firstCell);
  ivec2 size = textureSize(u_picture, 0);
  for (int y = 0; y < ${side}; y++)
    for (int x = 0; x < ${side}; x++) {
      ivec2 p = from + ivec2(x, y);
      ivec2 inside = clamp(p, ivec2(0), size - 1);
      vec3 c = seenAt(inside);
      sum += c * (glowShare(max(c.r, max(c.g, c.b))) * float(p == inside));
    }`;

/** @param side of a cell, where cells hold so many whole pixels; else null */
const gatherProgram = (looking: Looking, side: number | null): ProgramRecord => ({
  name: `gather glow ${side} ${lookingName(looking)}`,
  vertex: BOX_VERTEX,
  fragment: `${HEADER}${lookingCode(looking)}
uniform vec2 u_firstCell;
uniform float u_cell;
uniform float u_threshold;
uniform float u_knee;
out vec4 glow;
float glowShare(float m) {
  float k = min(u_knee, u_threshold);
  float over = m - u_threshold;
  float s = clamp(over + k, 0.0, 2.0 * k);
  float soft = k == 0.0 ? 0.0 : s * s / (4.0 * k);
  return max(max(soft, over), 0.0) / max(m, 1e-4);
}
void main() {
  vec3 sum = vec3(0.0);${side === null ? ANY_CELL : wholeCell(side)}
  glow = vec4(sum / (u_cell * u_cell), 1.0);
}`,
});

/** Cells of so many px at most are taken pixel by pixel. */
const WIDEST_WHOLE_CELL = 8;

/** How many whole pixels a cell holds along each side; null where it does not. */
function wholeSide(cell: number, firstX: number, firstY: number): number | null {
  return [cell, firstX, firstY].every(Number.isInteger) && cell <= WIDEST_WHOLE_CELL ? cell : null;
}

const HALVE: ProgramRecord = {
  name: 'halve glow',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_fine;
uniform vec2 u_firstFine;
out vec4 glow;
const float WEIGHTS[4] = float[4](0.125, 0.375, 0.375, 0.125);
void main() {
  ivec2 from = 2 * ivec2(gl_FragCoord.xy) + ivec2(u_firstFine);
  ivec2 size = textureSize(u_fine, 0);
  vec3 sum = vec3(0.0);
  for (int v = 0; v < 4; v++)
    for (int u = 0; u < 4; u++) {
      ivec2 p = from + ivec2(u, v);
      ivec2 inside = clamp(p, ivec2(0), size - 1);
      sum += (WEIGHTS[u] * WEIGHTS[v] * float(p == inside)) * texelFetch(u_fine, inside, 0).rgb;
    }
  glow = vec4(sum, 1.0);
}`,
};

const CHECKED = `
vec3 cellAt(sampler2D cells, ivec2 p) {
  ivec2 inside = clamp(p, ivec2(0), textureSize(cells, 0) - 1);
  return texelFetch(cells, inside, 0).rgb * float(p == inside);
}`;
const UNCHECKED = 'vec3 cellAt(sampler2D cells, ivec2 p) { return texelFetch(cells, p, 0).rgb; }';

/**
 * `cellsBetween`: linear between the middles of cells; nothing glows beyond the grid.
 * @param isWithin whether no cell beyond the grid is asked for: the margin of a picture sees to that
 */
export const cellsBetween = (isWithin: boolean) => `${isWithin ? UNCHECKED : CHECKED}
vec3 cellsBetween(sampler2D cells, vec2 p) {
  ivec2 corner = ivec2(floor(p));
  vec2 f = p - floor(p);
  return mix(
    mix(cellAt(cells, corner), cellAt(cells, corner + ivec2(1, 0)), f.x),
    mix(cellAt(cells, corner + ivec2(0, 1)), cellAt(cells, corner + ivec2(1, 1)), f.x), f.y);
}`;

const MIX: ProgramRecord = {
  name: 'mix glows',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}${cellsBetween(false)}
uniform sampler2D u_narrow;
uniform sampler2D u_wide;
uniform vec2 u_firstWide;
uniform float u_spread;
out vec4 glow;
void main() {
  vec3 narrow = texelFetch(u_narrow, ivec2(gl_FragCoord.xy), 0).rgb;
  glow = vec4(mix(narrow, cellsBetween(u_wide, gl_FragCoord.xy / 2.0 + u_firstWide), u_spread), 1.0);
}`,
};

/** What the last pass needs to read a glow at its pixels. */
export interface Glow {
  texture: WebGLTexture;
  uniforms: Record<string, number | readonly number[]>;
}

export class BloomChain {
  private readonly targets: NamedTargets;

  constructor(private readonly device: Device) {
    this.targets = new NamedTargets(device);
  }

  /** @param read the picture of the frame's view, and how it is read */
  draw(read: LookedAt, numbers: BloomNumbers, { view, gate }: FinishFrame): Glow {
    const last = lastLevel(gate);
    const first = firstLevel(view, last);
    const levels: Level[] = [];
    for (let n = first; n <= last; n++) {
      const grid = glowGrid(view, n);
      levels.push({ grid, target: this.targets.get(`halved ${n}`, grid.width, grid.height) });
    }
    const [narrowest] = levels;
    const { cellPx, left, top } = narrowest.grid;
    const perPx = view.outputPerScenePx;
    const cell = cellPx * perPx;
    const firstX = (left * cellPx - view.x) * perPx;
    const firstY = (top * cellPx - view.y) * perPx;
    this.fill(
      narrowest.target,
      gatherProgram(read.looking, wholeSide(cell, firstX, firstY)),
      {
        ...read.values,
        u_firstCell: [firstX, firstY],
        u_cell: cell,
        u_threshold: numbers.threshold,
        u_knee: numbers.knee,
      },
      read.textures,
    );
    for (let i = 1; i < levels.length; i++) this.halve(levels[i - 1], levels[i]);
    const glow = levels.reduceRight((wide, narrow, i) => this.mix(narrow, wide, first + i, numbers.spread));
    return {
      texture: glow.target.textures[0],
      uniforms: {
        u_glowTint: numbers.tint.map((v) => v * numbers.level),
        u_glowPerPx: 1 / (perPx * cellPx),
        u_glowFirst: [view.x / cellPx - left - 0.5, view.y / cellPx - top - 0.5],
      },
    };
  }

  private halve(fine: Level, wide: Level): void {
    this.fill(
      wide.target,
      HALVE,
      { u_firstFine: [2 * wide.grid.left - fine.grid.left - 1, 2 * wide.grid.top - fine.grid.top - 1] },
      { u_fine: fine.target.textures[0] },
    );
  }

  private mix(narrow: Level, wide: Level, n: number, spread: number): Level {
    const { grid } = narrow;
    const target = this.targets.get(`mixed ${n}`, grid.width, grid.height);
    this.fill(
      target,
      MIX,
      {
        u_firstWide: [grid.left / 2 - wide.grid.left - 0.5, grid.top / 2 - wide.grid.top - 0.5],
        u_spread: spread,
      },
      { u_narrow: narrow.target.textures[0], u_wide: wide.target.textures[0] },
    );
    return { grid, target };
  }

  private fill(
    target: Target,
    program: ProgramRecord,
    uniforms: Record<string, number | readonly number[]>,
    textures: Record<string, WebGLTexture>,
  ): void {
    const { device } = this;
    device.bind(target);
    device.blend('none');
    device.program(program).use({ ...whole(target), ...uniforms }, textures);
    device.drawBox();
  }
}
