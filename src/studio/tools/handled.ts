/** What handles of picked things do while they are dragged. */
import { applyTo } from '@/core/geometry/affine';
import { LIMITS } from '@/core/limits';
import { change, type Edit } from '@/core/scene/edits';
import { type SceneDocument, settingsOf } from '@/core/scene/document';
import type { LightLook } from '@/core/scene/records/light-look';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import type { Handle } from './handles';
import { draggedIsolux } from '../lights/isolux';
import { pulledLight } from '../lights/light-handles';
import { lightEdits, lightOf, pickedLight } from '../lights/picked-light';
import type { Studio } from '../store/studio';
import { snapPoint, tidyPoint } from './snap';
import type { ToolEvent } from './tool';
import { isOfWork, workAtHand } from './work-at-hand';

const SMALLEST_GATE_PX = 16;

/** What dragging a handle does to the scene, and what is said beside the pointer. */
export function handled(
  studio: Studio,
  base: SceneDocument,
  handle: Handle,
  from: ToolEvent,
  to: ToolEvent,
): { edits: Edit[]; words: string } {
  const one = (edit: Edit | null, words: string) => ({ edits: edit ? [edit] : [], words });
  if (isOfWork(handle)) {
    const { edit, words } = workAtHand(studio)!.moved(studio, base, handle, to);
    return one(edit, words);
  }
  switch (handle.kind) {
    case 'isolux': {
      const light = lightOf(base, handle)!;
      const [dx, dy] = [to.x - handle.cx, (to.y - handle.cy) * handle.squash];
      const radius = Math.sqrt(dx * dx + dy * dy);
      const fields = draggedIsolux(light, handle.name, radius);
      const words =
        handle.name === 'full' || handle.name === 'end'
          ? `${Math.round(radius)} px`
          : `steepness ${fields.steepness ?? light.steepness}`;
      return { edits: lightEdits(base, handle, fields), words };
    }
    case 'bearing':
    case 'beam':
    case 'field':
    case 'light turn':
    case 'source':
    case 'gobo corner':
    case 'area point': {
      const at = handle.kind === 'area point' ? pointAt(studio, to) : to;
      const { id, partId } = handle;
      const collection = partId === null ? 'lights' : 'lamps';
      const picked = pickedLight(base, { collection, id }, partId, studio.live.getState().seconds);
      const fields = picked && pulledLight(picked, handle, { ...at, shift: to.shift, alt: to.alt });
      return fields
        ? { edits: lightEdits(base, handle, fields), words: wordsOf(fields) }
        : { edits: [], words: '' };
    }
    case 'turn': {
      const angle = (x: number, y: number) => (Math.atan2(y - handle.cy, x - handle.cx) * 180) / Math.PI;
      const step = to.shift ? 15 : 1;
      const turned = base.sprites[handle.id].turnDeg + angle(to.x, to.y) - angle(from.x, from.y);
      const turnDeg = ((((Math.round(turned / step) * step) % 360) + 540) % 360) - 180;
      return one(change(base, 'sprites', handle.id, { turnDeg }), `${turnDeg}°`);
    }
    case 'scale': {
      const distance = (e: ToolEvent) =>
        Math.sqrt((e.x - handle.cx) * (e.x - handle.cx) + (e.y - handle.cy) * (e.y - handle.cy));
      const sprite = base.sprites[handle.id];
      const by = distance(to) / Math.max(1, distance(from));
      const step = (v: number) =>
        Math.min(64, Math.max(0.05, to.shift ? Math.max(1, Math.round(v)) : Math.round(v * 20) / 20));
      const fields = { scaleX: step(sprite.scaleX * by), scaleY: step(sprite.scaleY * by) };
      return one(change(base, 'sprites', handle.id, fields), `${fields.scaleX} x`);
    }
    case 'point': {
      const map = handle.back;
      const at = snapPoint(studio, to, handle.id);
      const [x, y] = tidyPoint(...applyTo(map, ...at));
      const outlines = base.occluders[handle.id].outlines.map((points, o) =>
        o === handle.outline
          ? points.map((v, i) => (i === 2 * handle.point ? x : i === 2 * handle.point + 1 ? y : v))
          : points,
      );
      return one(change(base, 'occluders', handle.id, { outlines }), `${x}, ${y}`);
    }
    case 'gate': {
      const { gateX, gateY } = settingsOf(base);
      if (handle.corner[0] !== 0) return one(...draggedGate(base, handle.corner, from, to));
      const fields = { gateX: Math.round(gateX + to.x - from.x), gateY: Math.round(gateY + to.y - from.y) };
      return one(change(base, 'settings', SETTINGS_ID, fields), `gate at ${fields.gateX}, ${fields.gateY}`);
    }
  }
}

/** The gate with one corner dragged, the one across from it where it was; Shift keeps its shape. */
function draggedGate(
  base: SceneDocument,
  [cx, cy]: readonly [number, number],
  from: ToolEvent,
  to: ToolEvent,
): [Edit | null, string] {
  const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(base);
  const held = (v: number) => Math.min(LIMITS.gateSidePx, Math.max(SMALLEST_GATE_PX, Math.round(v)));
  const width = held(gateWidthPx + cx * (to.x - from.x));
  const height = to.shift
    ? held((width * gateHeightPx) / gateWidthPx)
    : held(gateHeightPx + cy * (to.y - from.y));
  const fields = {
    gateWidthPx: width,
    gateHeightPx: height,
    gateX: cx < 0 ? gateX + gateWidthPx - width : gateX,
    gateY: cy < 0 ? gateY + gateHeightPx - height : gateY,
  };
  return [change(base, 'settings', SETTINGS_ID, fields), `gate ${width} × ${height}`];
}

function pointAt(studio: Studio, to: ToolEvent): { x: number; y: number } {
  const [x, y] = snapPoint(studio, to);
  return { x, y };
}

/** The new values, as they stand in the bay. */
function wordsOf({
  bearingDeg,
  beamDeg,
  fieldDeg,
  turnDeg,
  sourceX,
  sourceY,
  gobo,
}: Partial<LightLook>): string {
  if (bearingDeg !== undefined) return `${bearingDeg}°`;
  if (beamDeg !== undefined) return `beam ${beamDeg}°, field ${fieldDeg}°`;
  if (turnDeg !== undefined) return `${turnDeg}°`;
  if (sourceX !== undefined) return `${sourceX}, ${sourceY} px`;
  return gobo ? `${gobo.widthPx} × ${gobo.heightPx}` : '';
}
