/** Light: press where it stands and drag; what the drag says depends on the kind. */
import { atan2, RADIANS_PER_DEGREE } from '@/core/geometry/exact';
import { type Light, newLight } from '@/core/scene/records/light';
import { orderAfter } from '@/core/scene/order';
import { create } from '@/core/scene/edits';
import { parallaxShift } from '@/core/moment/standing';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import type { Gesture } from '../store/scene-store';
import { freshId, type Studio } from '../store/studio';
import { snappedPlace } from './snap';
import type { Tool, ToolEvent } from './tool';
import { newGobo } from '@/core/scene/records/light-look';

interface Open {
  id: string;
  light: Light;
  from: ToolEvent;
  gesture: Gesture;
}

export class LightTool implements Tool {
  private open: Open | null = null;

  constructor(private readonly studio: Studio) {}

  down(event: ToolEvent): void {
    const { studio } = this;
    const planeId = studio.planeId();
    const plane = studio.scene.planes[planeId];
    if (!plane) {
      studio.say('Make a plane first: lights stand on planes.');
      return;
    }
    const { lightKind: kind, goboId } = studio.desk.getState();
    const { name, begins, figure } = LIGHT_SCREENS[kind];
    const artworkId = goboId !== null && studio.scene.artworks[goboId] ? goboId : null;
    if (figure.gobo && artworkId === null)
      return studio.say('Choose the picture of the gobo first, in the bay.');
    const [dx, dy] = parallaxShift(studio.scene, plane);
    const [x, y] = snappedPlace(studio, event.x - dx, event.y - dy).map(Math.round);
    const count = Object.values(studio.scene.lights).filter((light) => light.kind === kind).length;
    const gobo = newGobo({ artworkId: artworkId!, widthPx: 64, heightPx: 64 });
    const light = newLight({
      ...(figure.round ? { level: levelOver(studio.ambient().level) } : {}),
      ...begins,
      ...(figure.gobo ? { gobo } : {}),
      kind,
      name: `${name} ${count + 1}`,
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
    const [dx, dy] = [event.x - from.x, event.y - from.y];
    if (Math.sqrt(dx * dx + dy * dy) > from.nearPx) this.open.light = { ...light, ...dragged(light, dx, dy) };
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
    return LIGHT_SCREENS[this.studio.desk.getState().lightKind].toolHint;
  }
}

/** A level that is seen beside the ambient light that is there. */
function levelOver(ambient: number): number {
  return Math.round(10 * Math.max(1.5, 1 + 1.5 * ambient)) / 10;
}

/** What a drag from the light's place says of it. */
export function dragged(light: Light, dx: number, dy: number): Partial<Light> {
  const away = Math.sqrt(dx * dx + dy * dy);
  const bearingDeg = Math.round(atan2(dy, dx) / RADIANS_PER_DEGREE);
  const reachPx = Math.round(Math.max(light.corePx + 1, away));
  return LIGHT_SCREENS[light.kind].dragged(light, { dx, dy, bearingDeg, reachPx });
}
