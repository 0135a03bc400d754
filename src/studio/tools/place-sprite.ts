/** Place: stamps the artwork chosen on the shelf onto the current plane. */
import { newSprite } from '@/core/scene/defaults';
import { create } from '@/core/scene/edits';
import { orderAfter } from '@/core/scene/order';
import { parallaxShift } from '@/core/moment/standing';
import { settingsOf } from '@/core/scene/document';
import { freshId, type Studio } from '../store/studio';
import type { Tool, ToolEvent } from './tool';

export class PlaceSpriteTool implements Tool {
  constructor(private readonly studio: Studio) {}

  down({ x, y }: ToolEvent): void {
    const { artworkId } = this.studio.desk.getState();
    if (!artworkId || !this.studio.scene.artworks[artworkId]) {
      this.studio.desk.setState({ shelfOpen: true });
      this.studio.say('Choose an artwork on the shelf, then click on the stage.');
      return;
    }
    placeSprite(this.studio, artworkId, x, y);
  }

  move(): void {}
  up(): void {}

  cancel(): boolean {
    if (this.studio.desk.getState().artworkId === null) return false;
    this.studio.desk.setState({ artworkId: null, tool: 'pick' });
    return true;
  }

  hint(): string {
    const { artworkId } = this.studio.desk.getState();
    const artwork = artworkId ? this.studio.scene.artworks[artworkId] : null;
    const plane = this.studio.scene.planes[this.studio.planeId()];
    return artwork
      ? `Click to place ${artwork.name} on ${plane?.name ?? 'a plane'}; Escape to stop`
      : 'Choose an artwork on the shelf';
  }
}

/** Puts a sprite of an artwork at a drawn place on the current plane and picks it. */
export function placeSprite(studio: Studio, artworkId: string, x: number, y: number): void {
  const { scene } = studio;
  const planeId = studio.planeId();
  const plane = scene.planes[planeId];
  if (!plane) return studio.say('Make a plane first: sprites stand on planes.');
  const [dx, dy] = parallaxShift(scene, plane);
  const whole = settingsOf(scene).pixelArt ? Math.round : (v: number) => v;
  const id = freshId();
  const { name, answer, takesShadows } = scene.artworks[artworkId];
  const sprite = newSprite({
    name,
    answer,
    takesShadows,
    planeId,
    artworkId,
    x: whole(x - dx),
    y: whole(y - dy),
    order: orderAfter(
      Object.values(scene.sprites)
        .filter((s) => s.planeId === planeId)
        .map((s) => s.order),
    ),
  });
  studio.scenes.transact({
    label: 'Place a sprite',
    edits: [create('sprites', id, sprite)],
    selection: [{ collection: 'sprites', id }],
  });
}
