import type { Passing } from '@/core/moment/passing';
import type { DeskState, ToolName } from './desk-store';
import type { Live } from './live';
import { wipePassing, type WipeView } from './wipe';

/** Enough to work by, whatever the scene's own light is. */
export const WORK_LAMP_LEVEL = 0.65;

/** Tools that draw outlines. In the dark they bring the work lamp along. */
const OUTLINE_TOOLS: ReadonlySet<ToolName> = new Set(['outline', 'line', 'rectangle', 'ellipse']);

/**
 * What lasts only while looking, for what a side of the wipe shows.
 * @param ambientLevel of the scene at the hour that is shown
 */
export function passingOf(
  { solo, muted, soloPlanes, workLamp, wipe, tool, bench, fullWash, triedLook }: DeskState,
  { dayRate, isFrozen, walk }: Pick<Live, 'dayRate' | 'isFrozen' | 'walk'>,
  ambientLevel: number,
  view: WipeView,
): Passing {
  const draws = bench === 'stage' && OUTLINE_TOOLS.has(tool);
  // By itself it gives only what is missing of enough.
  const level = workLamp ? WORK_LAMP_LEVEL : draws ? Math.max(0, WORK_LAMP_LEVEL - ambientLevel) : 0;
  // What is compared or played is the scene, not the editor's view of it.
  const isShown = wipe !== null || (dayRate !== 0 && !isFrozen);
  return {
    solo,
    muted,
    soloPlanes,
    workLamp: isShown ? 0 : level,
    fullWash,
    walk,
    finish: triedLook ?? 'own',
    unlit: false,
    relief: true,
    shadows: true,
    ...wipePassing(view),
  };
}
