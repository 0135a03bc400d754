/** Pick: choose things and move them; handles of what is picked turn, scale and shape it. */
import { applyTo, inverse } from '@/core/geometry/affine';
import { type SceneDocument, settingsOf } from '@/core/scene/document';
import { applyEdits, type Edit } from '@/core/scene/edits';
import { copiesInPlace } from '../store/copies';
import { handleUnder, type Handle } from './handles';
import { occluderMap } from '../store/outline-places';
import { hitAt, hitsWithin } from './hits';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import { lightEdits, lightOf, pickedLight, type PickedLight } from '../lights/picked-light';
import type { Overlay } from '../surface/overlay';
import type { LightLook } from '@/core/scene/records/light-look';
import type { Gesture, Picked } from '../store/scene-store';
import type { Studio } from '../store/studio';
import type { Tool, ToolEvent } from './tool';
import { movedEdits } from '../store/moved-edits';
import { isOfWork, workAtHand } from './work-at-hand';
import { splitAt, withoutPoint, withPoint, withSmooth } from './outline-edits';
import { handled } from './handled';
import { snappedPlace } from './snap';

type PointHandle = Extract<Handle, { kind: 'point' }>;

type State =
  | { kind: 'idle' }
  | { kind: 'pressed'; at: ToolEvent; under: Picked | null; wasPicked: boolean }
  | {
      kind: 'moving';
      from: ToolEvent;
      /** The scene before, with the copies that are moved. */
      base: SceneDocument;
      picked: readonly Picked[];
      copies: readonly Edit[];
      gesture: Gesture;
    }
  | { kind: 'handling'; from: ToolEvent; base: SceneDocument; handle: Handle; gesture: Gesture }
  | { kind: 'marquee'; from: ToolEvent; to: ToolEvent };

/** A press becomes a drag after this many screen px. */
const DRAG_SHARE = 0.35;

export class PickTool implements Tool {
  private state: State = { kind: 'idle' };
  /** The first of two points at which an outline is to be split. */
  private cut: PointHandle | null = null;
  private readout: { x: number; y: number; words: string } | null = null;

  constructor(private readonly studio: Studio) {}

  down(event: ToolEvent): void {
    const { studio } = this;
    const handle = this.handleAt(event);
    if (handle?.kind === 'point' && (event.shift || event.alt)) return this.markPoint(handle, event);
    const work = workAtHand(studio);
    if (handle && isOfWork(handle) && event.shift && work?.shift) return work.shift(studio, handle);
    if (handle?.kind === 'area point' && event.shift) return smoothAreaPoint(studio, handle);
    this.cut = null;
    if (handle) {
      this.state = {
        kind: 'handling',
        from: event,
        base: studio.scene,
        handle,
        gesture: studio.scenes.gesture(handle.label),
      };
      return;
    }
    const held = work?.under?.(studio, event) ?? null;
    if (held) {
      this.state = { kind: 'pressed', at: event, under: held, wasPicked: true };
      return;
    }
    const under = hitAt(studio.scene, event.x, event.y, {
      rows: studio.rows,
      nearPx: event.nearPx,
      source: studio.pictures.source,
      seconds: studio.live.getState().seconds,
    });
    const selection = studio.scenes.state.selection;
    const wasPicked =
      under !== null && selection.some((p) => p.id === under.id && p.collection === under.collection);
    if (under && !wasPicked) studio.scenes.select(event.shift ? [...selection, under] : [under]);
    this.state = { kind: 'pressed', at: event, under, wasPicked };
  }

  move(event: ToolEvent): void {
    const { state, studio } = this;
    if (state.kind === 'pressed') {
      const away = Math.abs(event.x - state.at.x) + Math.abs(event.y - state.at.y);
      if (away < state.at.nearPx * DRAG_SHARE) return;
      if (state.under === null) this.state = { kind: 'marquee', from: state.at, to: event };
      else {
        this.state = state.at.alt ? this.duplicating(state.at) : this.moving(state.at);
      }
      this.move(event);
    } else if (state.kind === 'moving') {
      const [dx, dy] = moveBy(studio, state, event.x - state.from.x, event.y - state.from.y, event.shift);
      const moved = movedEdits(state.base, state.picked, [dx, dy], studio.live.getState().seconds);
      state.gesture.preview([...state.copies, ...moved]);
      if (state.copies.length > 0) studio.scenes.select(state.picked);
      this.readout = { x: event.x, y: event.y, words: `${signed(dx)}, ${signed(dy)} px` };
    } else if (state.kind === 'handling') {
      const { edits, words } = handled(studio, state.base, state.handle, state.from, event);
      state.gesture.preview(edits);
      this.readout = { x: event.x, y: event.y, words };
    } else if (state.kind === 'marquee') this.state = { ...state, to: event };
  }

  private moving(from: ToolEvent): State {
    const { studio } = this;
    const { scene } = studio;
    const picked = studio.scenes.state.selection;
    return { kind: 'moving', from, base: scene, picked, copies: [], gesture: studio.scenes.gesture('Move') };
  }

  /** With Alt copies are moved, and what was picked stays. */
  private duplicating(from: ToolEvent): State {
    const { studio } = this;
    const made = copiesInPlace(studio);
    if (!made) return this.moving(from);
    const { edits: copies, picked } = made;
    const base = applyEdits(studio.scene, copies);
    return { kind: 'moving', from, base, picked, copies, gesture: studio.scenes.gesture('Duplicate') };
  }

  up(event: ToolEvent): void {
    const { state, studio } = this;
    if (state.kind === 'moving' || state.kind === 'handling') state.gesture.commit();
    else if (state.kind === 'marquee') {
      const box = [state.from.x, state.from.y, event.x, event.y] as const;
      const found = hitsWithin(studio.scene, box, studio.live.getState().seconds);
      studio.scenes.select(event.shift ? [...studio.scenes.state.selection, ...found] : found);
    } else if (state.kind === 'pressed') {
      if (state.under === null && !event.shift) studio.scenes.select([]);
      else if (state.wasPicked && state.under) {
        const { id } = state.under;
        const rest = studio.scenes.state.selection.filter((p) => p.id !== id);
        studio.scenes.select(event.shift ? rest : [state.under]);
      }
    }
    this.state = { kind: 'idle' };
    this.readout = null;
  }

  leave(): boolean {
    const { state } = this;
    const wasCutting = this.cut !== null;
    this.state = { kind: 'idle' };
    this.readout = null;
    this.cut = null;
    if (state.kind === 'moving' || state.kind === 'handling') state.gesture.cancel();
    if (wasCutting) return true;
    return state.kind === 'moving' || state.kind === 'handling' || state.kind === 'marquee';
  }

  cancel(): boolean {
    const { studio } = this;
    if (this.leave()) return true;
    if (studio.scenes.state.selection.length === 0) return false;
    studio.scenes.select([]);
    return true;
  }

  /** On a point of the picked occluder: takes it away; on a side: adds one. */
  doubleDown(event: ToolEvent): void {
    const { studio } = this;
    const { scene } = studio;
    const pressed = this.handleAt(event);
    const own = pressed && isOfWork(pressed) ? pressed : null;
    if (workAtHand(studio)?.double?.(studio, event, own)) return;
    const light = onlyLight(studio);
    if (light) return doubleOnArea(studio, light, event, this.handleAt(event));
    const [id] = studio.pickedOf('occluders');
    if (!id || studio.scenes.state.selection.length !== 1) return;
    const occluder = scene.occluders[id];
    const handle = this.handleAt(event);
    if (handle?.kind === 'point') {
      const fewest = occluder.kind === 'closed' ? 3 : 2;
      const fields = withoutPoint(occluder, handle.outline, handle.point, fewest);
      if (fields) studio.set('Delete a point', 'occluders', id, fields);
      else studio.say('An outline needs this point; delete the whole occluder instead.');
      return;
    }
    const map = occluderMap(scene, occluder, studio.live.getState().seconds);
    const back = map && inverse(map);
    if (!back) return;
    const [u, v] = applyTo(back, event.x, event.y).map(Math.round);
    studio.set('Add a point', 'occluders', id, withPoint(occluder, occluder.kind === 'closed', u, v));
  }

  /** With Shift a point becomes smooth, or a corner again; with Alt an outline is split at it, or at two such points. */
  private markPoint(handle: PointHandle, { shift }: ToolEvent): void {
    const { studio, cut } = this;
    const { id, outline, point } = handle;
    const occluder = studio.scene.occluders[id];
    if (shift) return studio.set('Smooth or corner', 'occluders', id, withSmooth(occluder, outline, point));
    const isClosed = occluder.kind === 'closed';
    const isSecond = cut !== null && cut.id === id && cut.outline === outline && cut.point !== point;
    if (isClosed && !isSecond) {
      this.cut = handle;
      return;
    }
    this.cut = null;
    const parts = splitAt(occluder, isClosed, outline, isSecond ? cut.point : point, point);
    if (parts) studio.set('Split an outline', 'occluders', id, parts);
    else studio.say('Too few points would be left on one side of this.');
  }

  private handleAt(event: ToolEvent): Handle | null {
    return handleUnder(this.studio, event);
  }

  get isDragging(): boolean {
    return this.state.kind === 'moving' || this.state.kind === 'handling';
  }

  draw(overlay: Overlay): void {
    if (this.state.kind === 'marquee') overlay.marquee(this.state.from, this.state.to);
    if (this.cut) overlay.ring(this.cut.x, this.cut.y);
    if (this.readout) overlay.words(this.readout.x, this.readout.y, this.readout.words);
  }

  hint(): string {
    const work = workAtHand(this.studio);
    if (work) return work.hint(this.studio);
    const picked = onlyLight(this.studio);
    if (picked) return LIGHT_SCREENS[picked.light.kind].pickHint;
    if (this.studio.pickedOf('sprites').length === 1)
      return 'Drag to move, with Alt a copy; a corner scales, the ring turns';
    if (this.studio.pickedOf('occluders').length === 1)
      return this.cut
        ? 'Alt-click a second point to split the outline there'
        : 'Drag a point, Shift-click smooths it, Alt-click splits; a double click takes one away or adds one';
    return 'Click to pick, drag a rectangle for many; space and drag to pan, turn the wheel to zoom';
  }
}

type AreaPoint = Extract<Handle, { kind: 'area point' }>;

/** The light, or the part of a lamp, that is picked alone. */
function onlyLight(studio: Studio): PickedLight | null {
  const { selection } = studio.scenes.state;
  const { partId } = studio.desk.getState();
  return selection.length === 1
    ? pickedLight(studio.scene, selection[0], partId, studio.live.getState().seconds)
    : null;
}

/** A corner of an area light becomes smooth, or a corner again. */
function smoothAreaPoint(studio: Studio, handle: AreaPoint): void {
  const light = lightOf(studio.scene, handle)!;
  const edits = lightEdits(studio.scene, handle, withSmooth(light, handle.outline, handle.point));
  studio.scenes.transact({ label: 'Smooth or corner', edits });
}

/** On a point of an area light takes it away, elsewhere adds one on the nearest side. */
function doubleOnArea(studio: Studio, picked: PickedLight, event: ToolEvent, handle: Handle | null): void {
  const { light } = picked;
  if (light.outlines.length === 0 || !LIGHT_SCREENS[light.kind].figure.outlines) return;
  const set = (label: string, fields: Partial<LightLook>) =>
    studio.scenes.transact({ label, edits: lightEdits(studio.scene, picked, fields) });
  if (handle?.kind === 'area point') {
    const fields = withoutPoint(light, handle.outline, handle.point, 3);
    if (fields) set('Delete a point', fields);
    else studio.say('An outline needs this point; delete the light instead.');
    return;
  }
  const back = inverse(picked.figure);
  if (!back) return;
  const [u, v] = applyTo(back, event.x, event.y).map(Math.round);
  set('Add a point', withPoint(light, true, u, v));
}

function signed(v: number): string {
  const rounded = Math.round(v * 10) / 10;
  return rounded > 0 ? `+${rounded}` : String(rounded);
}

/**
 * Movement along one axis with shift. With a grid the first thing that is picked comes to stand on it and the others keep
 * their distance to it; without one pixel art moves by whole px.
 */
function moveBy(
  studio: Studio,
  { base, picked }: { base: SceneDocument; picked: readonly Picked[] },
  dx: number,
  dy: number,
  oneAxis: boolean,
): [number, number] {
  const [x, y] = oneAxis ? (Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy]) : [dx, dy];
  const first = picked.find(({ collection }) => ['sprites', 'lights', 'lamps'].includes(collection));
  const at = first && base[first.collection as 'sprites'][first.id];
  if (!at || at.hangsOn !== null || studio.desk.getState().gridPx === 0) {
    return settingsOf(base).pixelArt ? [Math.round(x), Math.round(y)] : [x, y];
  }
  const [px, py] = snappedPlace(studio, at.x + x, at.y + y);
  return [x === 0 ? 0 : px - at.x, y === 0 ? 0 : py - at.y];
}
