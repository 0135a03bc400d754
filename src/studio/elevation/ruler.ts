/** The ruler of the elevation: how high something is drawn over its plane. Near the ground evenly, far above it ever closer. */
import { scaleSymlog } from 'd3-scale';
import { LIMITS } from '@/core/limits';
import { lightPartsOf } from '@/core/scene/lamp-parts';
import type { SceneDocument } from '@/core/scene/document';

/** What is drawn evenly, scene px; nothing lower is ever the top. */
const EVEN_PX = 96;
/** The share of a plane's strip that the highest thing takes. */
const TOP_SHARE = 0.88;
const TICKS = [24, 96, 400, 1600, 6400, 25_600, 100_000];

export interface Ruler {
  topPx: number;
  /** Share of the strip, from its foot. */
  shareOf(heightPx: number): number;
  /** The height at a share, in whole px; above the strip it goes on. */
  heightAt(share: number): number;
  ticks: readonly number[];
}

/** @param highestPx the highest thing that has to be seen */
export function rulerUpTo(highestPx: number): Ruler {
  const topPx = Math.max(EVEN_PX, highestPx);
  const scale = scaleSymlog([0, topPx], [0, TOP_SHARE]).constant(EVEN_PX / 2);
  return {
    topPx,
    shareOf: (heightPx) => scale(Math.max(0, heightPx)),
    heightAt: (share) => Math.round(Math.min(LIMITS.heightPx, Math.max(0, scale.invert(share)))),
    ticks: TICKS.filter((tick) => tick <= topPx),
  };
}

/** The highest light and the highest stature of a scene, scene px. */
export function highestOf(scene: SceneDocument): number {
  let highest = 0;
  for (const { heightPx } of Object.values(scene.lights)) highest = Math.max(highest, heightPx);
  for (const lamp of Object.values(scene.lamps))
    for (const { heightPx } of lightPartsOf(scene, lamp)) highest = Math.max(highest, heightPx);
  for (const { staturePx } of Object.values(scene.occluders)) highest = Math.max(highest, staturePx ?? 0);
  return highest;
}

/** Where something stands across the elevation, as a share of the gate. */
export function shareAcross(scene: SceneDocument, x: number): number {
  const { gateX, gateWidthPx } = scene.settings.scene;
  return Math.min(1, Math.max(0, (x - gateX) / gateWidthPx));
}
