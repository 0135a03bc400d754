/** Place: stamps the artwork or the luminaire chosen on the shelf onto the current plane. */
import { newLamp } from '@/core/scene/records/lamp';
import { newSprite } from '@/core/scene/records/sprite';
import { create } from '@/core/scene/edits';
import { parallaxShift } from '@/core/moment/standing';
import { broughtLamps, frontOrders } from '../store/placed';
import { freshId, type Studio } from '../store/studio';
import { snappedPlace } from './snap';
import type { Tool, ToolEvent } from './tool';

export class PlaceSpriteTool implements Tool {
  constructor(private readonly studio: Studio) {}

  down({ x, y }: ToolEvent): void {
    const { artworkId, luminaireId } = this.studio.desk.getState();
    const { artworks, luminaires } = this.studio.scene;
    if (luminaireId && luminaires[luminaireId]) placeLamp(this.studio, luminaireId, x, y);
    else if (artworkId && artworks[artworkId]) placeSprite(this.studio, artworkId, x, y);
    else {
      this.studio.desk.setState({ panel: 'shelf' });
      this.studio.say('Choose an artwork or a luminaire on the shelf, then click on the stage.');
    }
  }

  move(): void {}
  up(): void {}

  cancel(): boolean {
    const { artworkId, luminaireId } = this.studio.desk.getState();
    if (artworkId === null && luminaireId === null) return false;
    this.studio.desk.setState({ artworkId: null, luminaireId: null, tool: 'pick' });
    return true;
  }

  hint(): string {
    const { artworkId, luminaireId } = this.studio.desk.getState();
    const { artworks, luminaires, planes } = this.studio.scene;
    const chosen = luminaires[luminaireId ?? ''] ?? artworks[artworkId ?? ''];
    const plane = planes[this.studio.planeId()];
    return chosen
      ? `Click to place ${chosen.name} on ${plane?.name ?? 'a plane'}; Escape to stop`
      : 'Choose an artwork or a luminaire on the shelf';
  }
}

/** The current plane with the place that a drawn place has on it; null where there is no plane. */
function placeOnPlane(
  studio: Studio,
  x: number,
  y: number,
): { planeId: string; x: number; y: number } | null {
  const planeId = studio.planeId();
  const plane = studio.scene.planes[planeId];
  if (!plane) {
    studio.say('Make a plane first: everything stands on planes.');
    return null;
  }
  const [dx, dy] = parallaxShift(studio.scene, plane);
  const [px, py] = snappedPlace(studio, x - dx, y - dy);
  return { planeId, x: px, y: py };
}

/** Puts a sprite of an artwork at a drawn place on the current plane and picks it. */
export function placeSprite(studio: Studio, artworkId: string, x: number, y: number): void {
  const place = placeOnPlane(studio, x, y);
  if (!place) return;
  const { scene } = studio;
  const id = freshId();
  const artwork = scene.artworks[artworkId];
  const { name, answer, takesShadows } = artwork;
  const nextOrder = frontOrders(scene, place.planeId);
  const sprite = newSprite({ name, answer, takesShadows, artworkId, ...place, order: nextOrder() });
  studio.scenes.transact({
    label: 'Place a sprite',
    edits: [create('sprites', id, sprite), ...broughtLamps(scene, id, artwork, place.planeId, nextOrder)],
    selection: [{ collection: 'sprites', id }],
  });
}

/** Puts a lamp at a drawn place on the current plane and picks it. */
export function placeLamp(studio: Studio, luminaireId: string, x: number, y: number): void {
  const place = placeOnPlane(studio, x, y);
  if (!place) return;
  const id = freshId();
  const { name } = studio.scene.luminaires[luminaireId];
  const lamp = newLamp({ name, luminaireId, ...place, order: frontOrders(studio.scene, place.planeId)() });
  studio.scenes.transact({
    label: 'Place a lamp',
    edits: [create('lamps', id, lamp)],
    selection: [{ collection: 'lamps', id }],
  });
}
