import type { Passing } from '@/core/moment/passing';
import type { DeskState } from './desk-store';
import type { Live } from './live';

/** Enough to work by, whatever the scene's own light is. */
export const WORK_LAMP_LEVEL = 0.65;

/** The two sides of a wipe: everything, or what it leaves out. */
export type WipeSide = 'all' | 'left-out';

/** What lasts only while looking, for one side of the wipe. */
export function passingOf(
  { solo, muted, soloPlanes, workLamp, wipe, tool, bench }: DeskState,
  { dayRate }: Pick<Live, 'dayRate'>,
  side: WipeSide,
): Passing {
  // Outlines are drawn in the dark: the pen brings light along.
  const isWanted = workLamp || (bench === 'stage' && (tool === 'outline' || tool === 'line'));
  // What is compared or played is the scene, not the editor's view of it.
  const isShown = wipe !== 'none' || dayRate !== 0;
  const leftOut = side === 'left-out';
  return {
    solo,
    muted,
    soloPlanes,
    workLamp: isWanted && !isShown ? WORK_LAMP_LEVEL : 0,
    unlit: leftOut && wipe === 'unlit',
    relief: !(leftOut && wipe === 'relief'),
    shadows: !(leftOut && wipe === 'shadows'),
  };
}
