/** The passes that change each pixel by itself, on the GPU, by the names that all-passes.ts gives them. */
import type { FinishNumbers, PassName } from './all-passes';
import { exposure } from './exposure.glsl';
import type { FinishFrame } from './frame';
import { grade } from './grade.glsl';
import type { PointPass } from './pass.glsl';
import { table } from './table.glsl';
import { tone } from './tone.glsl';
import { vignette } from './vignette.glsl';

/** Fringe and bloom look at other pixels: they have draws of their own, in src/gpu/finish. */
export type PointPassName = Exclude<PassName, 'fringe' | 'bloom'>;

const POINT_PASSES: { [P in PointPassName]: PointPass<FinishNumbers[P]> } = {
  exposure,
  vignette,
  tone,
  grade,
  table,
};

/** A piece of the program that prints the picture, for the numbers of one finish. */
export interface PassCode {
  /** Two pieces of one name are the same. */
  name: string;
  uniforms: string;
  glsl: string;
  values: Record<string, number | readonly number[]>;
}

export function isPointPass(name: PassName): name is PointPassName {
  return name in POINT_PASSES;
}

export function passCode(name: PointPassName, numbers: FinishNumbers, frame: FinishFrame): PassCode {
  const pass = POINT_PASSES[name] as PointPass<object>;
  const own = numbers[name];
  return {
    name: `${name} ${pass.variant?.(own) ?? ''}`,
    uniforms: pass.uniforms(own),
    glsl: pass.glsl(own),
    values: pass.values(own, frame),
  };
}
