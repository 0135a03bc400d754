/** The glow as a chain of halvings and doublings. @see src/core/finish/bloom.ts */
import { firstLevel, glowGrid, lastLevel, type BloomNumbers, type GlowGrid } from '@/core/finish/bloom';
import type { FinishFrame } from '@/core/finish/frame';
import type { Device, ProgramRecord, Target } from '../device';
import { BOX_VERTEX } from '../shaders/box';
import { HEADER } from '../shaders/common';
import { lookingCode, lookingName, type LookedAt, type Looking, type Uniforms } from './looking';
import { NamedTargets, whole } from './targets';

/** Cells around a level that stay dark: what is read beyond its grid is nothing. */
const GUARD = 1;

/** A level, and where its cells are counted from; in its target the guard stands around them. */
interface Level {
  grid: GlowGrid;
  target: Target;
}

/** The mean of what glows of the pixels in a cell, by how much of each lies in it. */
const ANY_CELL = `
  vec2 from = (floor(gl_FragCoord.xy) - float(${GUARD})) * u_cell + u_firstCell;
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
  ivec2 from = (ivec2(gl_FragCoord.xy) - ${GUARD}) * ${side} + ivec2(u_firstCell);
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
uniform float u_perKnee;
out vec4 glow;
float glowShare(float m) {
  float over = m - u_threshold;
  float s = clamp(over + u_knee, 0.0, 2.0 * u_knee);
  return max(max(s * s * u_perKnee, over), 0.0) / max(m, 1e-4);
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

/** Weights of 1 3 3 1 along each axis: four readings between cells. */
const HALVE: ProgramRecord = {
  name: 'halve glow',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_fine;
uniform vec2 u_firstFine;
uniform vec2 u_perFine;
out vec4 glow;
void main() {
  vec2 from = 2.0 * floor(gl_FragCoord.xy) + u_firstFine;
  vec4 at = vec4(from + 1.25, from + 2.75) * u_perFine.xyxy;
  glow = vec4(0.25 * (
    texture(u_fine, at.xy).rgb + texture(u_fine, at.zy).rgb +
    texture(u_fine, at.xw).rgb + texture(u_fine, at.zw).rgb), 1.0);
}`,
};

const MIX: ProgramRecord = {
  name: 'mix glows',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_narrow;
uniform sampler2D u_wide;
uniform vec2 u_firstWide;
uniform vec2 u_perWide;
uniform float u_spread;
out vec4 glow;
void main() {
  vec3 narrow = texelFetch(u_narrow, ivec2(gl_FragCoord.xy), 0).rgb;
  vec3 wide = texture(u_wide, (gl_FragCoord.xy / 2.0 + u_firstWide) * u_perWide).rgb;
  glow = vec4(mix(narrow, wide, u_spread), 1.0);
}`,
};

/** What the last pass needs to read a glow at its pixels. */
export interface Glow {
  texture: WebGLTexture;
  uniforms: Uniforms;
}

/** A target without its guard. */
function within(target: Target) {
  return { ...whole(target), u_box: [GUARD, GUARD, target.width - GUARD, target.height - GUARD] };
}

const perSide = ({ width, height }: Target) => [1 / width, 1 / height];

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
      levels.push({ grid, target: this.target(`halved ${n}`, grid) });
    }
    const [narrowest] = levels;
    const { cellPx, left, top } = narrowest.grid;
    const perPx = view.outputPerScenePx;
    const knee = Math.min(numbers.knee, numbers.threshold);
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
        u_knee: knee,
        u_perKnee: knee === 0 ? 0 : 1 / (4 * knee),
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
        u_glowFirst: [view.x / cellPx - left + GUARD, view.y / cellPx - top + GUARD],
        u_perGlow: perSide(glow.target),
      },
    };
  }

  private halve(fine: Level, wide: Level): void {
    this.fill(
      wide.target,
      HALVE,
      {
        // The first of four cells along each axis, of the cell that stands first in the target.
        u_firstFine: [
          2 * (wide.grid.left - GUARD) - fine.grid.left - 1 + GUARD,
          2 * (wide.grid.top - GUARD) - fine.grid.top - 1 + GUARD,
        ],
        u_perFine: perSide(fine.target),
      },
      { u_fine: fine.target.textures[0] },
    );
  }

  private mix(narrow: Level, wide: Level, n: number, spread: number): Level {
    const { grid } = narrow;
    const target = this.target(`mixed ${n}`, grid);
    this.fill(
      target,
      MIX,
      {
        u_firstWide: [
          (grid.left - GUARD) / 2 - wide.grid.left + GUARD,
          (grid.top - GUARD) / 2 - wide.grid.top + GUARD,
        ],
        u_perWide: perSide(wide.target),
        u_spread: spread,
      },
      { u_narrow: narrow.target.textures[0], u_wide: wide.target.textures[0] },
    );
    return { grid, target };
  }

  private target(name: string, { width, height }: GlowGrid): Target {
    return this.targets.get(name, width + 2 * GUARD, height + 2 * GUARD, 'smooth');
  }

  /** Draws the cells of a level. */
  private fill(
    target: Target,
    program: ProgramRecord,
    uniforms: Uniforms,
    textures: Record<string, WebGLTexture>,
  ): void {
    const { device } = this;
    device.bind(target);
    device.blend('none');
    device.program(program).use({ ...within(target), ...uniforms }, textures);
    device.drawBox();
  }
}
