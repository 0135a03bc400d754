/** The washes that lie on the picture, as renderers read them. */
import { hexToLinear, linearToOklab } from '../raster/colour';
import { smoothstep01 } from '../geometry/exact';
import { inOrder } from '../scene/document';
import type { SceneSettings } from '../scene/records/settings';
import type { Wash } from '../scene/records/wash';
import { hash01 } from '../time/noise';
import { WASH_POINT_FLOATS } from '../weather/wash';
import type { MomentWash } from './moment';
import type { MomentStage } from './stage';

interface WashShare {
  wash: Wash;
  /** 0 to 1. */
  share: number;
}

/** A wash of the scene, and what of it lies on the picture. */
export interface LaidWash {
  wash: Wash;
  laid: MomentWash;
}

/**
 * @param settings as the cues leave them at this hour
 * @param figureId the sprite that is the figure: that on its rounds, or the scene's
 */
export function washesAt(stage: MomentStage, settings: SceneSettings, figureId: string | null): LaidWash[] {
  const { scene, passing } = stage;
  const full = passing.fullWash === null ? undefined : scene.washes[passing.fullWash];
  if (full) return washOf(stage, full, 1, 'normal');
  const chosen = settings.washBy === 'seed' ? bySeed(stage, settings) : byCues(stage);
  return whereFigureIs(stage, chosen, figureId).flatMap(({ wash, share }) =>
    washOf(stage, wash, wash.opacity * share * settings.washStrength, wash.blend),
  );
}

function byCues({ scene, day, clockHours }: MomentStage): WashShare[] {
  return day.washesAt(clockHours).flatMap(({ id, share }) => {
    const wash = scene.washes[id];
    return wash && !wash.hidden ? [{ wash, share }] : [];
  });
}

/** Chance picks one for so long, and the next one comes in at the end of it. */
function bySeed(
  { scene, seconds }: MomentStage,
  { washSeed, washEverySeconds, washFadeSeconds }: SceneSettings,
): WashShare[] {
  const washes = inOrder(scene.washes).flatMap(([, wash]) => (wash.hidden || wash.onEntering ? [] : [wash]));
  if (washes.length === 0) return [];
  const turn = Math.floor(seconds / washEverySeconds);
  const picked = (k: number) => washes[Math.floor(hash01(washSeed, k) * washes.length)];
  const [now, next] = [picked(turn), picked(turn + 1)];
  const fade = Math.min(washFadeSeconds, washEverySeconds);
  const left = (turn + 1) * washEverySeconds - seconds;
  const share = fade === 0 ? 0 : smoothstep01(1 - left / fade);
  if (now === next || share === 0) return [{ wash: now, share: 1 }];
  return [
    { wash: now, share: 1 - share },
    { wash: next, share },
  ];
}

/** With the washes of the areas that the figure is in, each in the place of what lay there before. */
function whereFigureIs(
  { scene, standing }: MomentStage,
  chosen: readonly WashShare[],
  figureId: string | null,
): WashShare[] {
  const place = figureId === null ? null : standing.placeOf(figureId, null);
  if (!place) return [...chosen];
  return inOrder(scene.washes).reduce<WashShare[]>(
    (below, [, wash]) => {
      const share = wash.hidden || !wash.onEntering ? 0 : shareWithin(wash, ...place);
      if (share === 0) return below;
      return [...below.map((one) => ({ ...one, share: one.share * (1 - share) })), { wash, share }];
    },
    [...chosen],
  );
}

/** How far a place is within a wash's rectangle: 1 where it is farther than its fade from every side. */
function shareWithin({ x, y, widthPx, heightPx, fadePx }: Wash, px: number, py: number): number {
  const inside = Math.min(px - x, py - y, x + widthPx - px, y + heightPx - py);
  if (inside < 0) return 0;
  return fadePx === 0 ? 1 : smoothstep01(inside / fadePx);
}

function washOf(
  { settings }: MomentStage,
  wash: Wash,
  opacity: number,
  blend: MomentWash['blend'],
): LaidWash[] {
  const { tiedTo, x, y, widthPx, heightPx, points } = wash;
  if (opacity <= 0 || points.length === 0) return [];
  const [left, top] = tiedTo === 'gate' ? [settings.gateX, settings.gateY] : [0, 0];
  const floats = new Float32Array(WASH_POINT_FLOATS * points.length);
  points.forEach((point, i) => {
    const lab = linearToOklab(hexToLinear(point.colour));
    const weight = 1 / (2 * point.spreadPx * point.spreadPx);
    floats.set([left + point.x, top + point.y, weight, point.opacity, ...lab, 0], WASH_POINT_FLOATS * i);
  });
  const box = tiedTo === 'rectangle' ? { left: x, top: y, right: x + widthPx, bottom: y + heightPx } : null;
  return [{ wash, laid: { blend, opacity, box, points: floats } }];
}
