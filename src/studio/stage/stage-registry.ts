/** The stage that shows a studio just now, for keys and buttons outside of it. */
import type { Studio } from '../store/studio';
import type { StageController } from './stage-controller';

const stages = new WeakMap<Studio, StageController>();

export function stageOf(studio: Studio): StageController | null {
  return stages.get(studio) ?? null;
}

export function registerStage(studio: Studio, stage: StageController | null): void {
  if (stage) stages.set(studio, stage);
  else stages.delete(studio);
}
