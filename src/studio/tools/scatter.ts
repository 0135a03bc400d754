/** Scatter: strews sprites of several artworks over a box, by a seed; they are seen while the box is dragged. */
import { scattered } from '@/core/art/scatter';
import { parallaxShift } from '@/core/moment/standing';
import { settingsOf } from '@/core/scene/document';
import { newSprite } from '@/core/scene/records/sprite';
import { create, type Edit } from '@/core/scene/edits';
import type { Overlay } from '../surface/overlay';
import type { Gesture } from '../store/scene-store';
import { broughtLamps, frontOrders } from '../store/placed';
import { freshId, type Studio } from '../store/studio';
import { BoxDrag } from './box-drag';
import type { Tool, ToolEvent } from './tool';

export class ScatterTool implements Tool {
  private readonly drag = new BoxDrag((x, y) => [Math.round(x), Math.round(y)]);
  private gesture: Gesture | null = null;
  /** Ids stay while the box changes, so that undo knows one thing by one name. */
  private ids: string[] = [];

  constructor(private readonly studio: Studio) {}

  down(event: ToolEvent): void {
    const { studio } = this;
    const { artworkIds } = studio.desk.getState().scatter;
    if (!artworkIds.some((id) => studio.scene.artworks[id])) {
      studio.desk.setState({ panel: 'shelf', shelfTab: 'artworks' });
      studio.say('Choose what to scatter: click artworks on the shelf, with Ctrl for several.');
      return;
    }
    this.drag.begin(event);
    this.ids = [];
    this.gesture = studio.scenes.gesture('Scatter');
  }

  move(event: ToolEvent): void {
    if (this.drag.pull(event)) this.gesture?.preview(this.edits());
  }

  up(): void {
    const { gesture, studio } = this;
    if (!gesture) return;
    const edits = this.edits();
    this.drag.end();
    this.gesture = null;
    gesture.cancel();
    const sprites = edits.filter(({ collection }) => collection === 'sprites');
    if (sprites.length === 0) return;
    studio.scenes.transact({
      label: 'Scatter',
      edits,
      selection: sprites.map(({ id }) => ({ collection: 'sprites', id })),
    });
    // The next box is another one.
    studio.desk.setState(({ scatter }) => ({ scatter: { ...scatter, seed: scatter.seed + 1 } }));
  }

  cancel(): boolean {
    const was = this.drag.end();
    this.gesture?.cancel();
    this.gesture = null;
    return was;
  }

  draw(overlay: Overlay): void {
    this.drag.draw(overlay);
  }

  hint(): string {
    return 'Drag a rectangle to scatter over; number, spacing and seed are in the bay';
  }

  private edits(): Edit[] {
    const { studio, ids } = this;
    const scene = studio.scenes.kept;
    const rule = studio.desk.getState().scatter;
    const { box } = this.drag;
    const planeId = studio.planeId();
    const plane = scene.planes[planeId];
    const artworkIds = rule.artworkIds.filter((id) => scene.artworks[id]);
    if (!box || !plane) return [];
    const [dx, dy] = parallaxShift(scene, plane);
    const { pixelArt } = settingsOf(scene);
    const whole = pixelArt ? Math.round : (v: number) => v;
    const nextOrder = frontOrders(scene, planeId);
    // What stands lower on the picture lies in front.
    const places = scattered(box, artworkIds.length, rule).sort((a, b) => a.y - b.y);
    return places.flatMap((place, i): Edit[] => {
      const artworkId = artworkIds[place.kind];
      const artwork = scene.artworks[artworkId];
      const id = (ids[i] ??= freshId());
      const sprite = newSprite({
        name: artwork.name,
        answer: artwork.answer,
        takesShadows: artwork.takesShadows,
        planeId,
        artworkId,
        order: nextOrder(),
        x: whole(place.x - dx),
        y: whole(place.y - dy),
        turnDeg: Math.round(place.turnDeg),
        scaleX: place.scale,
        scaleY: place.scale,
        flipX: place.flipX,
      });
      return [create('sprites', id, sprite), ...broughtLamps(scene, id, artwork, planeId, nextOrder)];
    });
  }
}
