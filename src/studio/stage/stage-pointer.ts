/** The pointer over the stage: it pulls the view, the wipe and the mini-view, and gives the rest to the tool in the hand. */
import { settingsOf } from '@/core/scene/document';
import { change } from '@/core/scene/edits';
import { wheeledLevel } from '../lights/isolux';
import type { Studio } from '../store/studio';
import type { Surface } from '../surface/surface';
import { panned, toScene, zoomedAbout, zoomStep, type Pan } from '../surface/view';
import { handleUnder } from '../tools/handles';
import { FIXTURES } from '../store/fixtures';
import type { Tool, ToolEvent } from '../tools/tool';
import type { MiniView } from './mini-view';

/** How near counts as on, CSS px. */
const NEAR_PX = 8;

type Pull = { kind: 'view'; pan: Pan } | { kind: 'wipe' } | { kind: 'mini' };

export class StagePointer {
  private pull: Pull | null = null;

  constructor(
    private readonly studio: Studio,
    private readonly surface: Surface,
    private readonly mini: MiniView,
    private readonly tool: () => Tool,
  ) {
    surface.on('pointerdown', (event) => this.down(event));
    surface.on('pointermove', (event) => this.move(event));
    surface.on('pointerup', (event) => this.up(event));
    surface.on('pointercancel', () => {
      this.pull = null;
      this.tool().cancel();
      surface.touch();
    });
    surface.on('dblclick', (event) => {
      this.tool().doubleDown?.(this.toolEvent(event));
      surface.touch();
    });
    surface.on('wheel', (event) => this.wheel(event), { passive: false });
  }

  /** How near counts as on, scene px. */
  get nearPx(): number {
    return (NEAR_PX * this.surface.ratio) / this.studio.live.getState().zoom;
  }

  /** Where on the scene a mouse event lies. */
  scenePlace(event: MouseEvent): [number, number] {
    return toScene(this.studio.live.getState(), ...this.surface.placeOf(event));
  }

  zoomAbout(direction: number, canvasX: number, canvasY: number): void {
    const { live, scene } = this.studio;
    const place = live.getState();
    const zoom = zoomStep(place.zoom, direction, settingsOf(scene).pixelArt);
    live.setState(zoomedAbout(place, zoom, canvasX, canvasY));
  }

  private toolEvent(event: MouseEvent): ToolEvent {
    const [x, y] = this.scenePlace(event);
    return { x, y, shift: event.shiftKey, alt: event.altKey, nearPx: this.nearPx };
  }

  private down(event: PointerEvent): void {
    const { surface } = this;
    surface.take(event);
    const [cx, cy] = surface.placeOf(event);
    this.pull = this.pullAt(event, cx, cy);
    if (!this.pull && event.button === 0) this.tool().down(this.toolEvent(event));
    surface.touch();
  }

  private pullAt(event: PointerEvent, cx: number, cy: number): Pull | null {
    const { surface, studio } = this;
    const live = studio.live.getState();
    const isOnEdge = Math.abs(cx - live.wipe * surface.size.width) < NEAR_PX * surface.ratio;
    if (studio.desk.getState().wipe !== null && isOnEdge) return { kind: 'wipe' };
    if (event.button === 0 && this.mini.down(cx, cy, surface.size, surface.ratio)) return { kind: 'mini' };
    if (event.button !== 1 && !surface.isSpaceHeld) return null;
    return { kind: 'view', pan: { x: cx, y: cy, from: live } };
  }

  private move(event: PointerEvent): void {
    const { surface, studio, pull } = this;
    const [cx, cy] = surface.placeOf(event);
    switch (pull?.kind) {
      case 'mini':
        this.mini.move(cx, cy, surface.size, surface.ratio);
        return surface.touch();
      case 'wipe':
        return studio.live.setState({ wipe: Math.min(1, Math.max(0, cx / surface.size.width)) });
      case 'view':
        return studio.live.setState(panned(pull.pan, cx, cy));
    }
    this.tool().move(this.toolEvent(event));
    if (event.buttons === 0) this.pointAt(event);
    if (event.buttons !== 0 || studio.desk.getState().tool !== 'pick') surface.touch();
  }

  private up(event: PointerEvent): void {
    if (this.pull) this.pull = null;
    else this.tool().up(this.toolEvent(event));
    this.surface.touch();
  }

  /** The shape of the pointer says what a press would do. */
  private pointAt(event: PointerEvent): void {
    const { studio, surface } = this;
    const { style } = surface.top;
    if (surface.isSpaceHeld) return;
    if (studio.desk.getState().tool !== 'pick') {
      style.cursor = 'crosshair';
      return;
    }
    const { x, y, nearPx } = this.toolEvent(event);
    const handle = handleUnder(studio, { x, y, nearPx });
    style.cursor = handle ? 'move' : '';
  }

  private wheel(event: WheelEvent): void {
    event.preventDefault();
    const notches = -Math.sign(event.deltaY || event.deltaX);
    if (notches === 0) return;
    if (event.altKey) this.turnLevel(notches);
    else this.zoomAbout(notches, ...this.surface.placeOf(event));
  }

  private turnLevel(notches: number): void {
    const { studio } = this;
    const edits = FIXTURES.flatMap((collection) =>
      studio.pickedOf(collection).flatMap((id) => {
        const level = wheeledLevel(studio.scene[collection][id].level, notches);
        return change(studio.scene, collection, id, { level }) ?? [];
      }),
    );
    studio.scenes.transact({ label: 'Level', edits });
  }
}
