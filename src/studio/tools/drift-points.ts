/** The wind and the scale of what drifts over the scene, as handles of the stage. */
import { change } from '@/core/scene/edits';
import { settingsOf, type SceneDocument } from '@/core/scene/document';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { DRIFTS, type DriftName } from '@/core/weather/drift-fields';
import type { Studio } from '../store/studio';
import type { Overlay } from '../surface/overlay';
import type { PointWork } from './point-work';

export interface DriftHandle {
  kind: 'drift wind' | 'drift scale';
  label: string;
  x: number;
  y: number;
  name: DriftName;
}

/** The arrow of a wind leads to where the pattern is after so long. */
const ARROW_SECONDS = 4;
/** Winds and scales come in such steps, px a second and px. */
const WIND_STEP = 0.5;
const SCALE_STEP = 4;
const LEAST_SCALE_PX = 8;
/** The scale is dragged at the corner of this share of a tile: a whole one seldom fits into the view. */
const TILE_SHARE = 0.25;
/** Where in the gate each has its handles. */
const PLACES: Record<DriftName, readonly [number, number]> = { cloud: [0.3, 0.3], mist: [0.3, 0.65] };
const WORDS: Record<DriftName, string> = { cloud: 'Clouds', mist: 'Mist' };

/** What drifts at some hour at least, while the weather is worked on. */
function driftsAtHand({ desk, scene }: Studio): DriftName[] {
  const { bench, timePart } = desk.getState();
  if (bench !== 'time' || timePart !== 'weather') return [];
  return DRIFTS.filter((name) => {
    const field = `${name}Strength` as const;
    return settingsOf(scene)[field] > 0 || Object.values(scene.cues).some((cue) => (cue[field] ?? 0) > 0);
  });
}

function originOf(scene: SceneDocument, name: DriftName): [number, number] {
  const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(scene);
  const [u, v] = PLACES[name];
  return [Math.round(gateX + u * gateWidthPx), Math.round(gateY + v * gateHeightPx)];
}

function handlesOfDrift(scene: SceneDocument, name: DriftName): DriftHandle[] {
  const settings = settingsOf(scene);
  const [x, y] = originOf(scene, name);
  const half = (settings[`${name}ScalePx`] * TILE_SHARE) / 2;
  return [
    {
      ...{ kind: 'drift wind', label: 'Turn the wind', name },
      ...{ x: x + settings[`${name}WindX`] * ARROW_SECONDS, y: y + settings[`${name}WindY`] * ARROW_SECONDS },
    },
    { kind: 'drift scale', label: 'Scale what drifts', name, x: x + half, y: y + half },
  ];
}

function drawDrift(overlay: Overlay, { scene }: Studio, name: DriftName): void {
  const [x, y] = originOf(scene, name);
  const [wind, corner] = handlesOfDrift(scene, name);
  const half = corner.x - x;
  overlay.path(
    [
      [x - half, y - half],
      [x + half, y - half],
      [x + half, y + half],
      [x - half, y + half],
    ],
    true,
    false,
  );
  overlay.path([[x, y] as const, [wind.x, wind.y] as const], false, true);
  overlay.words(x - half, y - half, WORDS[name], 0, -6);
  overlay.pointMark(corner.x, corner.y, true);
  overlay.ring(wind.x, wind.y);
}

/** What drifts over the scene; there is none while nothing does. */
export const driftWork: PointWork<DriftHandle> = {
  isAtHand: (studio) => driftsAtHand(studio).length > 0,
  handles: (studio) => driftsAtHand(studio).flatMap((name) => handlesOfDrift(studio.scene, name)),
  moved(_studio, base, { kind, name }, to) {
    const [x, y] = originOf(base, name);
    if (kind === 'drift scale') {
      const side = (2 * Math.max(to.x - x, to.y - y)) / TILE_SHARE;
      const scalePx = Math.max(LEAST_SCALE_PX, Math.round(side / SCALE_STEP) * SCALE_STEP);
      return {
        edit: change(base, 'settings', SETTINGS_ID, { [`${name}ScalePx`]: scalePx }),
        words: `${scalePx} px`,
      };
    }
    const speed = (px: number) => Math.round(px / ARROW_SECONDS / WIND_STEP) * WIND_STEP;
    const [across, down] = [speed(to.x - x), speed(to.y - y)];
    return {
      edit: change(base, 'settings', SETTINGS_ID, { [`${name}WindX`]: across, [`${name}WindY`]: down }),
      words: `${across}, ${down} px/s`,
    };
  },
  draw(overlay, studio) {
    for (const name of driftsAtHand(studio)) drawDrift(overlay, studio, name);
  },
  hint: () => 'Drag the ring to turn the wind; the corner scales what drifts',
};
