/** Point: press where the lamp stands, drag to its reach. */
import { newLight } from '@/core/scene/defaults';
import { orderAfter } from '@/core/scene/order';
import { create } from '@/core/scene/edits';
import { parallaxShift } from '@/core/moment/standing';
import type { Light } from '@/core/scene/document';
import type { Gesture } from '../store/scene-store';
import { freshId, type Studio } from '../store/studio';
import { snappedPlace } from './snap';
import type { Tool, ToolEvent } from './tool';

export class PointLightTool implements Tool {
  private open: { id: string; light: Light; from: ToolEvent; gesture: Gesture } | null = null;

  constructor(private readonly studio: Studio) {}

  down(event: ToolEvent): void {
    const { studio } = this;
    const planeId = studio.planeId();
    const plane = studio.scene.planes[planeId];
    if (!plane) {
      studio.say('Make a plane first: lights hang on planes.');
      return;
    }
    const [dx, dy] = parallaxShift(studio.scene, plane);
    const [x, y] = snappedPlace(studio, event.x - dx, event.y - dy).map(Math.round);
    const count = Object.keys(studio.scene.lights).length;
    const light = newLight({
      name: `Light ${count + 1}`,
      planeId,
      order: orderAfter(Object.values(studio.scene.lights).map((l) => l.order)),
      x,
      y,
    });
    const id = freshId();
    this.open = { id, light, from: event, gesture: studio.scenes.gesture('Place a light') };
    this.open.gesture.preview([create('lights', id, light)]);
  }

  move(event: ToolEvent): void {
    if (!this.open) return;
    const { from, light, id, gesture } = this.open;
    const away = Math.sqrt((event.x - from.x) * (event.x - from.x) + (event.y - from.y) * (event.y - from.y));
    if (away > from.nearPx)
      this.open.light = { ...light, reachPx: Math.round(Math.max(light.corePx + 1, away)) };
    gesture.preview([create('lights', id, this.open.light)]);
  }

  up(): void {
    if (!this.open) return;
    const { id, gesture } = this.open;
    this.open = null;
    gesture.commit();
    this.studio.pick({ collection: 'lights', id });
    this.studio.desk.setState({ tool: 'pick' });
  }

  cancel(): boolean {
    const wasOpen = this.open !== null;
    this.open?.gesture.cancel();
    this.open = null;
    return wasOpen;
  }

  hint(): string {
    return 'Press where the lamp stands, drag to its reach';
  }
}
