/** Light: press where it stands and drag; what the drag says depends on the kind. */
import { atan2, RADIANS_PER_DEGREE } from '@/core/geometry/exact';
import type { LightKind } from '@/core/moment/light-kinds/all-kinds';
import { type Light, newLight } from '@/core/scene/records/light';
import { orderAfter } from '@/core/scene/order';
import { create } from '@/core/scene/edits';
import { parallaxShift } from '@/core/moment/standing';
import { startedArea } from '../store/area-starters';
import type { Gesture } from '../store/scene-store';
import { freshId, type Studio } from '../store/studio';
import { snappedPlace } from './snap';
import type { Tool, ToolEvent } from './tool';

interface Open {
  id: string;
  light: Light;
  from: ToolEvent;
  gesture: Gesture;
}

const HINTS: Record<LightKind, string> = {
  point: 'Press where the lamp stands, drag to its reach',
  spot: 'Press where the lamp stands, drag along its beam to its reach',
  area: 'Drag a box that is all light; a click makes a doorway',
  gobo: 'Drag a box that the picture fills',
  sun: 'Drag from anywhere toward where the sun stands',
  ambient: 'Drag a box in which another ambient light holds; a click lights everything',
};

const NAMES: Record<LightKind, string> = {
  point: 'Light',
  spot: 'Spot',
  area: 'Area',
  gobo: 'Gobo',
  sun: 'Sun',
  ambient: 'Ambient',
};

/** What every new light of a kind begins with. */
const BEGINS: Record<LightKind, Partial<Light>> = {
  point: {},
  spot: { reachPx: 180 },
  area: { curve: 'eased', heightPx: 60, shadows: false },
  gobo: { heightPx: 60, shadows: false },
  sun: { level: 1, colour: '#fff2d8', sizeDeg: 0.5 },
  ambient: { level: 0.1, colour: '#8090b0', curve: 'eased', shadows: false },
};

export class LightTool implements Tool {
  private open: Open | null = null;

  constructor(private readonly studio: Studio) {}

  down(event: ToolEvent): void {
    const { studio } = this;
    const planeId = studio.planeId();
    const plane = studio.scene.planes[planeId];
    if (!plane) {
      studio.say('Make a plane first: lights hang on planes.');
      return;
    }
    const { lightKind: kind, goboId } = studio.desk.getState();
    const artworkId = goboId !== null && studio.scene.artworks[goboId] ? goboId : null;
    if (kind === 'gobo' && artworkId === null)
      return studio.say('Choose the picture of the gobo first, in the bay.');
    const [dx, dy] = parallaxShift(studio.scene, plane);
    const [x, y] = snappedPlace(studio, event.x - dx, event.y - dy).map(Math.round);
    const count = Object.values(studio.scene.lights).filter((light) => light.kind === kind).length;
    const gobo = { artworkId: artworkId!, widthPx: 64, heightPx: 64, fadePx: 0, crisp: false, playing: true };
    const light = newLight({
      ...BEGINS[kind],
      ...(kind === 'area' ? startedArea('doorway') : {}),
      ...(kind === 'gobo' ? { gobo } : {}),
      kind,
      name: `${NAMES[kind]} ${count + 1}`,
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
    return HINTS[this.studio.desk.getState().lightKind];
  }
}

/** What a drag from the light's place says of it. */
export function dragged(light: Light, dx: number, dy: number): Partial<Light> {
  const away = Math.sqrt(dx * dx + dy * dy);
  const bearingDeg = Math.round(atan2(dy, dx) / RADIANS_PER_DEGREE);
  const reachPx = Math.round(Math.max(light.corePx + 1, away));
  switch (light.kind) {
    case 'point':
      return { reachPx };
    case 'spot':
      return { reachPx, bearingDeg };
    case 'sun':
      return { bearingDeg };
    case 'area':
    case 'ambient': {
      const [w, h] = [Math.round(dx), Math.round(dy)];
      return { outlines: [[0, 0, w, 0, w, h, 0, h]], smooth: [[]] };
    }
    case 'gobo': {
      const size = {
        widthPx: Math.max(1, Math.round(2 * Math.abs(dx))),
        heightPx: Math.max(1, Math.round(2 * Math.abs(dy))),
      };
      return { gobo: { ...light.gobo!, ...size } };
    }
  }
}
