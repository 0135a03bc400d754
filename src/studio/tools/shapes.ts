/** Tools that make something of a dragged box: flats, and occluders that are rectangles or ellipses. */
import { cos, RADIANS_PER_DEGREE, sin } from '@/core/geometry/exact';
import { parallaxShift } from '@/core/moment/standing';
import { newOccluder } from '@/core/scene/records/occluder';
import { newSprite } from '@/core/scene/records/sprite';
import { create, type Edit } from '@/core/scene/edits';
import type { Overlay } from '../surface/overlay';
import type { Picked } from '../store/scene-store';
import { frontOrders } from '../store/placed';
import { freshId, type Studio } from '../store/studio';
import { BoxDrag, type DraggedBox } from './box-drag';
import { snappedPlace } from './snap';
import type { Tool, ToolEvent } from './tool';

export type ShapeName = 'flat' | 'rectangle' | 'ellipse';

/** Points of an ellipse, all of them smooth. */
const ELLIPSE_POINTS = 8;

export class ShapeTool implements Tool {
  private readonly drag: BoxDrag;

  constructor(
    private readonly studio: Studio,
    private readonly shape: ShapeName,
  ) {
    this.drag = new BoxDrag((x, y) => {
      const [px, py] = snappedPlace(studio, x, y);
      return [Math.round(px), Math.round(py)];
    });
  }

  down(event: ToolEvent): void {
    this.drag.begin(event);
  }

  move(event: ToolEvent): void {
    this.drag.pull(event);
  }

  up(): void {
    const { studio } = this;
    const { box } = this.drag;
    this.drag.end();
    const planeId = studio.planeId();
    const plane = studio.scene.planes[planeId];
    if (!box || !plane) return;
    const [dx, dy] = parallaxShift(studio.scene, plane);
    const { edit, picked } = this.made(planeId, {
      left: box.left - dx,
      right: box.right - dx,
      top: box.top - dy,
      bottom: box.bottom - dy,
    });
    studio.scenes.transact({
      label: this.shape === 'flat' ? 'Make a flat' : 'Draw an occluder',
      edits: [edit],
      selection: [picked],
    });
    studio.desk.setState({ tool: 'pick' });
  }

  cancel(): boolean {
    return this.drag.end();
  }

  draw(overlay: Overlay): void {
    this.drag.draw(overlay);
  }

  hint(): string {
    return this.shape === 'flat'
      ? 'Drag out a rectangle of one colour; with Shift a square'
      : `Drag out ${this.shape === 'ellipse' ? 'an ellipse' : 'a rectangle'} that stops light; with Shift as wide as high`;
  }

  private made(planeId: string, { left, top, right, bottom }: DraggedBox): { edit: Edit; picked: Picked } {
    const { studio } = this;
    const id = freshId();
    if (this.shape === 'flat') {
      const sprite = newSprite({
        name: 'Flat',
        planeId,
        artworkId: null,
        plain: {
          colour: studio.desk.getState().flatColour,
          widthPx: right - left,
          heightPx: bottom - top,
        },
        x: (left + right) / 2,
        y: (top + bottom) / 2,
        order: frontOrders(studio.scene, planeId)(),
      });
      return { edit: create('sprites', id, sprite), picked: { collection: 'sprites', id } };
    }
    const isRound = this.shape === 'ellipse';
    const points = isRound
      ? ellipse(left, top, right, bottom)
      : [left, top, right, top, right, bottom, left, bottom];
    const occluder = newOccluder({
      name: `${isRound ? 'Ellipse' : 'Rectangle'} ${Object.keys(studio.scene.occluders).length + 1}`,
      planeId,
      kind: 'closed',
      outlines: [points],
      smooth: [isRound ? Array.from({ length: ELLIPSE_POINTS }, (_, i) => i) : []],
    });
    return { edit: create('occluders', id, occluder), picked: { collection: 'occluders', id } };
  }
}

function ellipse(left: number, top: number, right: number, bottom: number): number[] {
  const [cx, cy, rx, ry] = [(left + right) / 2, (top + bottom) / 2, (right - left) / 2, (bottom - top) / 2];
  return Array.from({ length: ELLIPSE_POINTS }, (_, i) => {
    const angle = (i * 360 * RADIANS_PER_DEGREE) / ELLIPSE_POINTS;
    return [cx + rx * cos(angle), cy + ry * sin(angle)].map((v) => Math.round(v * 100) / 100);
  }).flat();
}
