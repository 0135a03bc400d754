/** The passes after the planes on the GPU, by the names that core/finish/all-passes.ts gives them. */
import type { FinishNumbers, PassName } from '@/core/finish/all-passes';
import type { UniformValue } from '../device';
import { exposure } from './exposure';
import type { PointPass } from './pass';
import { tone } from './tone';

const POINT_PASSES: { [P in PassName]: PointPass<FinishNumbers[P]> } = { exposure, tone };

export function pointPass(name: PassName): Pick<PointPass<never>, 'uniforms' | 'glsl'> {
  return POINT_PASSES[name];
}

/** The uniforms of some passes. */
export function passValues(names: readonly PassName[], numbers: FinishNumbers): Record<string, UniformValue> {
  return Object.assign(
    {},
    ...names.map((name) => (POINT_PASSES[name] as PointPass<object>).values(numbers[name])),
  ) as Record<string, UniformValue>;
}
