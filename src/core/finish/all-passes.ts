/** The passes after the planes, in the order in which they run. */
import { object } from 'yup';
import { bloom } from './bloom';
import { NO_TABLES, type TableSource } from './colour-table';
import { exposure } from './exposure';
import type { FinishFrame } from './frame';
import { fringe } from './fringe';
import { grade } from './grade';
import type { FinishPass, FloatPicture } from './pass';
import { table } from './table';
import { tone } from './tone';
import { vignette } from './vignette';

export const FINISH_PASSES = { exposure, fringe, bloom, vignette, tone, grade, table } as const;

type Passes = typeof FINISH_PASSES;
export type PassName = keyof Passes;

/** What a pass is to code that knows none by its name. */
type AnyPass = FinishPass<object, object>;
const ALL = Object.entries(FINISH_PASSES) as unknown as [PassName, AnyPass][];
const ONE = FINISH_PASSES as unknown as Record<PassName, AnyPass>;

/** The numbers of every pass; see core/moment/moment.ts. */
export type FinishNumbers = { [P in PassName]: ReturnType<Passes[P]['numbers']> };

/** The fields of all passes, as they stand in the scene's settings and in looks. */
export const FINISH_FIELDS = {
  ...exposure.fields,
  ...fringe.fields,
  ...bloom.fields,
  ...vignette.fields,
  ...tone.fields,
  ...grade.fields,
  ...table.fields,
};

const { autoShare: _autoShare, autoLimitStops: _autoLimitStops, ...inLooks } = FINISH_FIELDS;

/** The fields of looks: automatic exposure is the scene's own. */
export const LOOK_FIELDS = inLooks;

/** @param settings with the fields of all passes */
export function finishNumbers(settings: object, tables: TableSource = NO_TABLES): FinishNumbers {
  return Object.fromEntries(
    ALL.map(([name, pass]) => [name, pass.numbers(settings, tables)]),
  ) as FinishNumbers;
}

/** One finish of several. @param parts their shares add up to 1 */
export function mixedFinish(parts: readonly { numbers: FinishNumbers; share: number }[]): FinishNumbers {
  if (parts.length === 1) return parts[0].numbers;
  return Object.fromEntries(
    ALL.map(([name, pass]) => [
      name,
      pass.mix(parts.map(({ numbers, share }) => ({ numbers: numbers[name], share }))),
    ]),
  ) as FinishNumbers;
}

/** Settings at which every pass is at rest. */
export const NO_FINISH_SETTINGS = object(FINISH_FIELDS).getDefault();
export const NO_FINISH: FinishNumbers = finishNumbers(NO_FINISH_SETTINGS);

/** The passes of a kind that change anything, in their order. */
export function activePasses(numbers: FinishNumbers, on: FinishPass<never, never>['on']): PassName[] {
  return ALL.filter(([name, pass]) => pass.on === on && !pass.isAtRest(numbers[name])).map(([name]) => name);
}

/** Whether a pass changes anything. */
export function isAtRest(name: PassName, numbers: FinishNumbers): boolean {
  return ONE[name].isAtRest(numbers[name]);
}

/** How far beyond the view the passes read in all, scene px. */
export function finishMarginPx(numbers: FinishNumbers, frame: FinishFrame): number {
  return ALL.reduce(
    (sum, [name, pass]) =>
      pass.isAtRest(numbers[name]) ? sum : sum + (pass.marginPx?.(numbers[name], frame) ?? 0),
    0,
  );
}

/** A finish without the passes that look at other places than their own. */
export function withoutNeighbours(numbers: FinishNumbers): FinishNumbers {
  const reads = ALL.filter(([, { marginPx }]) => marginPx).map(([name]) => [name, NO_FINISH[name]]);
  return { ...numbers, ...(Object.fromEntries(reads) as Partial<FinishNumbers>) };
}

/** Whether any pass that is on looks at other pixels than the one that it changes. */
export function looksAtNeighbours(numbers: FinishNumbers): boolean {
  return ALL.some(([name, { marginPx }]) => marginPx && !isAtRest(name, numbers));
}

/** Runs one pass over a picture, in place. */
export function runPass(
  name: PassName,
  picture: FloatPicture,
  numbers: FinishNumbers,
  frame: FinishFrame,
): void {
  ONE[name].apply(picture, numbers[name], frame);
}

/** Runs the passes of a kind over a picture, in place. @see FinishPass.on for what the values are */
export function runPasses(
  on: FinishPass<never, never>['on'],
  picture: FloatPicture,
  numbers: FinishNumbers,
  frame: FinishFrame,
): void {
  for (const name of activePasses(numbers, on)) runPass(name, picture, numbers, frame);
}
