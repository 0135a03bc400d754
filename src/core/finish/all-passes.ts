/** The passes after the planes, in the order in which they run. */
import { exposure } from './exposure';
import type { FinishPass, FloatPicture } from './pass';
import { tone } from './tone';

export const FINISH_PASSES = { exposure, tone } as const;

type Passes = typeof FINISH_PASSES;
export type PassName = keyof Passes;

/** What a pass is to code that knows none by its name. */
type AnyPass = FinishPass<object, object>;
const ALL = Object.entries(FINISH_PASSES) as unknown as [PassName, AnyPass][];

/** The numbers of every pass; see core/moment/moment.ts. */
export type FinishNumbers = { [P in PassName]: ReturnType<Passes[P]['numbers']> };

/** The fields of all passes, as they stand in the scene's settings. */
export const FINISH_FIELDS = { ...exposure.fields, ...tone.fields };

/** @param settings with the fields of all passes */
export function finishNumbers(settings: object): FinishNumbers {
  return Object.fromEntries(ALL.map(([name, pass]) => [name, pass.numbers(settings)])) as FinishNumbers;
}

/** The passes that change anything, in their order. */
export function activePasses(numbers: FinishNumbers): PassName[] {
  return ALL.filter(([name, pass]) => !pass.isAtRest(numbers[name])).map(([name]) => name);
}

/** Runs one pass over a picture in linear light, in place. */
export function runPass(name: PassName, picture: FloatPicture, numbers: FinishNumbers): void {
  (FINISH_PASSES[name] as unknown as AnyPass).apply(picture, numbers[name]);
}

/** Runs the passes over a picture in linear light, in place. */
export function runPasses(picture: FloatPicture, numbers: FinishNumbers): void {
  for (const [name, pass] of ALL) if (!pass.isAtRest(numbers[name])) pass.apply(picture, numbers[name]);
}
