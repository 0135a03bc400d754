/** The passes after the planes on the GPU, by the names that all-passes.ts gives them. */
import type { FinishNumbers, PassName } from './all-passes';
import { exposure } from './exposure.glsl';
import type { PointPass } from './pass.glsl';
import { tone } from './tone.glsl';

const POINT_PASSES: { [P in PassName]: PointPass<FinishNumbers[P]> } = { exposure, tone };

export function pointPass(name: PassName): Pick<PointPass<never>, 'uniforms' | 'glsl'> {
  return POINT_PASSES[name];
}

/** The uniforms of some passes. */
export function passValues(names: readonly PassName[], numbers: FinishNumbers): Record<string, number> {
  return Object.assign(
    {},
    ...names.map((name) => (POINT_PASSES[name] as PointPass<object>).values(numbers[name])),
  ) as Record<string, number>;
}
