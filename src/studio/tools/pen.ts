/** The pen: draws closed outlines or lines point by point. */
import { flattened } from '@/core/geometry/smooth';
import { newOccluder, type OccluderKind } from '@/core/scene/records/occluder';
import { create } from '@/core/scene/edits';
import { parallaxShift } from '@/core/moment/standing';
import type { Overlay } from '../surface/overlay';
import { freshId, type Studio } from '../store/studio';
import { snapPoint } from './snap';
import type { Tool, ToolEvent } from './tool';

export class PenTool implements Tool {
  private points: [number, number][] = [];
  /** Numbers of the points that were set with Shift. */
  private smooth: number[] = [];
  private pointer: [number, number] | null = null;

  constructor(
    private readonly studio: Studio,
    private readonly kind: OccluderKind,
    /** What is drawn: an occluder, or what is made of its points here. */
    private readonly made: {
      done(studio: Studio, points: readonly [number, number][], smooth: readonly number[]): void;
      begins: string;
    } | null = null,
  ) {}

  down(event: ToolEvent): void {
    const point = snapPoint(this.studio, event);
    const first = this.points[0];
    const closes =
      this.kind === 'closed' && this.points.length >= 3 && first && near(point, first, event.nearPx);
    const last = this.points.at(-1);
    if (closes || (last && near(point, last, event.nearPx * 0.4) && this.points.length >= this.fewest))
      this.confirm();
    else if (!last || point[0] !== last[0] || point[1] !== last[1]) {
      if (event.shift) this.smooth.push(this.points.length);
      this.points.push(point);
    }
  }

  move(event: ToolEvent): void {
    this.pointer = snapPoint(this.studio, event);
  }

  up(): void {}

  cancel(): boolean {
    const wasOpen = this.points.length > 0;
    this.points = [];
    this.smooth = [];
    return wasOpen;
  }

  private get fewest(): number {
    return this.kind === 'closed' ? 3 : 2;
  }

  confirm(): void {
    const { studio, points, smooth } = this;
    this.points = [];
    this.smooth = [];
    if (this.made) {
      if (points.length >= this.fewest) this.made.done(studio, points, smooth);
      studio.desk.setState({ tool: 'pick' });
      return;
    }
    const planeId = studio.planeId();
    const plane = studio.scene.planes[planeId];
    if (points.length < this.fewest || !plane) return;
    const [dx, dy] = parallaxShift(studio.scene, plane);
    const id = freshId();
    const name = `${this.kind === 'closed' ? 'Outline' : 'Line'} ${Object.keys(studio.scene.occluders).length + 1}`;
    const outlines = [points.flatMap(([x, y]) => [x - dx, y - dy])];
    studio.scenes.transact({
      label: 'Draw an occluder',
      edits: [
        create('occluders', id, newOccluder({ name, planeId, kind: this.kind, outlines, smooth: [smooth] })),
      ],
      selection: [{ collection: 'occluders', id }],
    });
    studio.desk.setState({ tool: 'pick' });
  }

  draw(overlay: Overlay): void {
    if (this.points.length === 0) return;
    const flat = [...this.points, ...(this.pointer ? [this.pointer] : [])].flat();
    const shown = flattened(flat, this.smooth, false);
    const pairs = Array.from({ length: shown.length / 2 }, (_, i): [number, number] => [
      shown[2 * i],
      shown[2 * i + 1],
    ]);
    overlay.path(pairs, false, true);
    for (const [x, y] of this.points) overlay.pointMark(x, y, true);
  }

  hint(): string {
    if (this.points.length === 0)
      return (
        this.made?.begins ??
        (this.kind === 'closed' ? 'Click the corners of the outline' : 'Click the points of the line')
      );
    return this.kind === 'closed'
      ? 'Click the first point or press Enter to close; Shift makes a point smooth; Escape drops it'
      : 'Click the last point again or press Enter to end; Shift makes a point smooth';
  }
}

function near(a: readonly number[], b: readonly number[], px: number): boolean {
  return Math.abs(a[0] - b[0]) <= px && Math.abs(a[1] - b[1]) <= px;
}
