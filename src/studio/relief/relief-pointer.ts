/** The pointer on the Relief bench: it carries the lamp, pans and wipes, and draws with the tools. */
import type { Artwork } from '@/core/scene/records/artwork';
import type { ReliefPatch } from '@/workers/relief-desk';
import type { ReliefBenchState } from '../store/relief-bench';
import type { Studio } from '../store/studio';
import type { Surface } from '../surface/surface';
import { panned, toScene, zoomedAbout, zoomStep, type Pan } from '../surface/view';
import {
  BrushDrawing,
  fill,
  isBrush,
  PartDrawing,
  type ReliefDrawing,
  type ReliefPoint,
} from '../tools/relief-tools';
import type { MarkPlace } from './relief-marks';

/** Within so many css px of the wipe's edge or a polygon's first point the pointer takes hold of it. */
const NEAR_PX = 8;

/** The view that the pointer works in. */
export interface PointerHost {
  readonly studio: Studio;
  readonly surface: Surface;
  readonly artworkId: string | null;
  readonly artwork: Artwork | null;
  place: MarkPlace;
  lampPlace: { x: number; y: number };
  touch(): void;
  /** The pointer stands over a pixel of the art. */
  pointed(x: number, y: number): void;
  /** It stands over the view no longer. */
  left(): void;
  /** The row under the pointer is another. */
  shapeMoved(): void;
  swatchAsked(x: number, y: number): void;
  facingAt(x: number, y: number): [number, number] | null;
  /** A stroke changed a part of the relief. */
  patch(patch: ReliefPatch): void;
  /** Shows the kept relief again. */
  forget(): void;
}

export class ReliefPointer {
  /** Where it stands, px of the art; null beyond the view. */
  at: { x: number; y: number } | null = null;
  drawing: ReliefDrawing | null = null;
  polygon: number[] = [];
  isPinned = false;
  /** Where the wipe's edge stands, as a share of the width. */
  wipeShare = 0.5;
  private sectionStart: [number, number] | null = null;
  private lastEnd: { x: number; y: number } | null = null;
  private isWiping = false;
  private pan: Pan | null = null;

  constructor(private readonly host: PointerHost) {
    this.listen();
  }

  dispose(): void {
    this.drawing?.cancel();
  }

  /** Another artwork is shown. */
  begin(): void {
    if (this.drawing) this.cancel();
    this.polygon = [];
    this.lastEnd = null;
    this.isPinned = false;
  }

  /** Takes back what is being drawn; where nothing is, goes back to looking. */
  cancel(): void {
    const isDrawing = this.drawing !== null || this.polygon.length > 0;
    if (!isDrawing) this.host.studio.reliefBench.setState({ tool: 'lamp' });
    this.drawing?.cancel();
    if (this.drawing?.kind === 'brush') this.host.forget();
    this.drawing = null;
    this.polygon = [];
    this.host.touch();
  }

  /** Closes the polygon that is being drawn. */
  confirm(): void {
    const points = this.polygon;
    const { studio, artworkId } = this.host;
    this.polygon = [];
    if (points.length >= 9 && artworkId) fill(studio, artworkId, points);
    this.host.touch();
  }

  private get bench(): ReliefBenchState {
    return this.host.studio.reliefBench.getState();
  }

  private listen(): void {
    const { surface } = this.host;
    surface.on('pointermove', (event) => this.move(event));
    surface.on('pointerdown', (event) => this.down(event));
    surface.on('pointerup', () => this.up());
    surface.on('pointercancel', () => this.cancel());
    surface.on('pointerleave', () => {
      this.at = null;
      this.host.left();
      this.host.touch();
    });
    surface.on('dblclick', () => this.polygon.length >= 9 && this.confirm());
    surface.on('wheel', (event) => this.wheel(event), { passive: false });
  }

  private pointOf(event: PointerEvent): ReliefPoint {
    const [x, y] = toScene(this.host.place, ...this.host.surface.placeOf(event));
    // A mouse says one half, or nothing; only a pen has a pressure of its own.
    const pressure = event.pointerType === 'pen' ? Math.max(0.05, event.pressure) : 1;
    return { x, y, pressure, shift: event.shiftKey };
  }

  private move(event: PointerEvent): void {
    const [cx, cy] = this.host.surface.placeOf(event);
    if (this.isWiping) {
      this.wipeShare = Math.min(1, Math.max(0, cx / this.host.surface.size.width));
      return this.host.touch();
    }
    if (this.pan) {
      this.host.place = panned(this.pan, cx, cy);
      return this.host.touch();
    }
    const point = this.pointOf(event);
    const isOtherRow = Math.floor(this.at?.y ?? -1) !== Math.floor(point.y);
    this.at = point;
    this.host.pointed(point.x, point.y);
    if (isOtherRow && !this.bench.section) this.host.shapeMoved();
    if (this.drawing) {
      const steps = event.getCoalescedEvents?.() ?? [];
      for (const step of steps.length > 0 ? steps : [event]) this.drawing.move(this.pointOf(step));
    } else if (this.sectionStart) {
      this.host.studio.reliefBench.setState({ section: [...this.sectionStart, point.x, point.y] });
    } else if (!this.isPinned && this.bench.lampWay === 'follow')
      this.host.lampPlace = { x: point.x, y: point.y };
    this.host.touch();
  }

  private down(event: PointerEvent): void {
    const [cx, cy] = this.host.surface.placeOf(event);
    this.host.surface.take(event);
    if (
      this.bench.wipe &&
      Math.abs(cx - this.wipeShare * this.host.surface.size.width) < NEAR_PX * this.host.surface.ratio
    ) {
      this.isWiping = true;
      return;
    }
    if (event.button === 1 || this.host.surface.isSpaceHeld) {
      this.pan = { x: cx, y: cy, from: this.host.place };
      event.preventDefault();
      return;
    }
    if (event.button === 0) this.press(this.pointOf(event), event.altKey);
    this.host.touch();
  }

  private press(point: ReliefPoint, alt: boolean): void {
    const { studio, artworkId, artwork } = this.host;
    const { tool, fillArea } = this.bench;
    if (!artworkId || !artwork) return;
    if (tool === 'lamp') {
      this.isPinned = !this.isPinned;
      if (!this.isPinned || this.bench.lampWay === 'follow') this.host.lampPlace = { x: point.x, y: point.y };
    } else if (tool === 'section') {
      this.sectionStart = [point.x, point.y];
      studio.reliefBench.setState({ section: null });
    } else if (tool === 'swatch') this.host.swatchAsked(point.x, point.y);
    else if ((tool === 'face' || tool === 'fill') && alt) this.takeFacing(point.x, point.y);
    else if (tool === 'fill') {
      if (fillArea !== 'polygon') fill(studio, artworkId, [point.x, point.y, 1]);
      else if (this.isAtStart(point)) this.confirm();
      else this.polygon.push(point.x, point.y, 1);
    } else if (tool === 'join' || tool === 'split') {
      this.drawing = new PartDrawing(studio, artworkId, tool, point);
    } else if (isBrush(tool)) {
      this.drawing = new BrushDrawing(
        studio,
        artworkId,
        tool,
        artwork.pixelArt,
        point,
        this.lastEnd,
        (patch) => this.host.patch(patch),
      );
    }
  }

  private isAtStart({ x, y }: ReliefPoint): boolean {
    if (this.polygon.length < 9) return false;
    const near = (NEAR_PX * this.host.surface.ratio) / this.host.place.zoom;
    return Math.hypot(x - this.polygon[0], y - this.polygon[1]) < near;
  }

  /** Gives the ball the facing of the art under the pointer. */
  private takeFacing(x: number, y: number): void {
    const facing = this.host.facingAt(x, y);
    if (facing) this.host.studio.reliefBench.setState({ faceX: facing[0], faceY: facing[1] });
  }

  private up(): void {
    this.pan = null;
    this.isWiping = false;
    this.sectionStart = null;
    const { drawing } = this;
    this.drawing = null;
    if (drawing) {
      drawing.up();
      const n = drawing.points.length;
      if (drawing.kind === 'brush' && n >= 3)
        this.lastEnd = { x: drawing.points[n - 3], y: drawing.points[n - 2] };
    }
    this.host.touch();
  }

  private wheel(event: WheelEvent): void {
    event.preventDefault();
    const notches = -Math.sign(event.deltaY || event.deltaX);
    const grown = (value: number, by: number) => value * (notches > 0 ? by : 1 / by);
    const { studio } = this.host;
    const { bench } = this;
    if (event.altKey) {
      studio.reliefBench.setState({
        lampHeightPx: Math.min(400, Math.max(1, grown(bench.lampHeightPx, 1.12))),
      });
    } else if (event.shiftKey && isBrush(bench.tool)) {
      const next = grown(bench.sizePx, 1.15);
      const whole = bench.sizePx < 8 ? bench.sizePx + notches : Math.round(next);
      studio.reliefBench.setState({ sizePx: Math.min(512, Math.max(1, whole)) });
    } else {
      const zoom = zoomStep(this.host.place.zoom, notches, this.host.artwork?.pixelArt ?? true);
      this.host.place = zoomedAbout(this.host.place, zoom, ...this.host.surface.placeOf(event));
      this.host.touch();
    }
  }
}
