/** What is drawn over an artwork on the Art bench: frames, pivot, foot and brackets, in device pixels. */
import { bracketAt } from '@/core/art/brackets';
import { rectOf } from '@/core/art/frames';
import type { Rect } from '@/core/raster/rect';
import type { Artwork, ArtworkFrame } from '@/core/scene/records/artwork';
import type { OverlayColours } from '../surface/overlay';
import { toCanvas } from '../surface/view';

const PIVOT_PX = 7;
const BRACKET_PX = 5;
const CORNER_PX = 3;

export class ArtMarks {
  constructor(
    private readonly context: CanvasRenderingContext2D,
    private readonly place: { viewX: number; viewY: number; zoom: number },
    private readonly ratio: number,
    readonly colours: OverlayColours,
    private readonly font: string,
  ) {}

  /** A part of a bitmap with its corner at a place of the view. */
  image(
    bitmap: CanvasImageSource,
    left: number,
    top: number,
    widthPx: number,
    heightPx: number,
    x: number,
    y: number,
  ): void {
    const [cx, cy] = toCanvas(this.place, x, y).map(Math.round);
    const { zoom } = this.place;
    this.context.drawImage(bitmap, left, top, widthPx, heightPx, cx, cy, widthPx * zoom, heightPx * zoom);
  }

  box({ left, top, right, bottom }: Rect, colour: string, dash: number[] = []): void {
    const { context, ratio } = this;
    const [x0, y0] = toCanvas(this.place, left, top);
    const [x1, y1] = toCanvas(this.place, right, bottom);
    context.setLineDash(dash.map((d) => d * ratio));
    context.strokeStyle = colour;
    context.lineWidth = ratio;
    const half = ratio / 2;
    context.strokeRect(
      Math.round(x0) + half,
      Math.round(y0) + half,
      Math.round(x1 - x0) - ratio,
      Math.round(y1 - y0) - ratio,
    );
    context.setLineDash([]);
  }

  frames(frames: readonly ArtworkFrame[], chosen: number): void {
    frames.forEach((frame, i) => {
      if (i !== chosen) this.numbered(rectOf(frame), i, `${this.colours.line}66`);
    });
    const own = frames[chosen];
    if (!own) return;
    const rect = rectOf(own);
    this.numbered(rect, chosen, this.colours.picked);
    this.context.fillStyle = this.colours.picked;
    for (const x of [rect.left, rect.right])
      for (const y of [rect.top, rect.bottom]) {
        const [cx, cy] = toCanvas(this.place, x, y);
        const r = CORNER_PX * this.ratio;
        this.context.fillRect(cx - r, cy - r, 2 * r, 2 * r);
      }
  }

  /** What a cut that is tried out would make. */
  tried(rects: readonly Rect[]): void {
    rects.forEach((rect, i) => this.numbered(rect, i, this.colours.held, [4, 3]));
  }

  private numbered(rect: Rect, i: number, colour: string, dash: number[] = []): void {
    this.box(rect, colour, dash);
    const { ratio, place } = this;
    // Where frames are small their numbers would hide the art.
    if (
      (rect.right - rect.left) * place.zoom < 36 * ratio ||
      (rect.bottom - rect.top) * place.zoom < 24 * ratio
    )
      return;
    const [x, y] = toCanvas(place, rect.left, rect.top);
    this.words(String(i + 1), x + 4 * ratio, y + 12 * ratio, colour);
  }

  words(text: string, x: number, y: number, colour: string): void {
    const { context, ratio } = this;
    context.font = `${11 * ratio}px ${this.font}`;
    context.lineWidth = 3 * ratio;
    context.strokeStyle = '#000000cc';
    context.strokeText(text, x, y);
    context.fillStyle = colour;
    context.fillText(text, x, y);
  }

  /** Pivot, foot and brackets of a figure whose corner lies at (dx, dy). */
  standing(artwork: Artwork, frame: number, dx: number, dy: number, bracketId: string | null): void {
    const { colours, context, ratio } = this;
    this.foot(artwork.foot.map((v, i) => v + (i % 2 === 0 ? dx : dy)));
    for (const bracket of artwork.brackets) {
      const { x, y } = bracketAt(bracket, frame);
      this.bracket(bracket.name, x + dx, y + dy, bracket.id === bracketId ? colours.picked : colours.held);
    }
    const [px, py] = toCanvas(this.place, artwork.pivotX + dx, artwork.pivotY + dy);
    const r = PIVOT_PX * ratio;
    for (const [colour, width] of [
      ['#000000aa', 3],
      [colours.line, 1],
    ] as const) {
      context.strokeStyle = colour;
      context.lineWidth = width * ratio;
      context.beginPath();
      context.moveTo(px - r, py);
      context.lineTo(px + r, py);
      context.moveTo(px, py - r);
      context.lineTo(px, py + r);
      context.stroke();
    }
  }

  foot(points: readonly number[]): void {
    const { context, colours, ratio } = this;
    if (points.length < 2) return;
    const [ax, ay] = toCanvas(this.place, points[0], points[1]);
    const [bx, by] = points.length === 4 ? toCanvas(this.place, points[2], points[3]) : [ax, ay];
    context.strokeStyle = colours.held;
    context.lineWidth = 2 * ratio;
    context.beginPath();
    context.moveTo(ax, ay);
    context.lineTo(bx, by);
    context.stroke();
    // Little strokes below it, as ground is drawn in sections.
    context.lineWidth = ratio;
    for (const [x, y] of [
      [ax, ay],
      [(ax + bx) / 2, (ay + by) / 2],
      [bx, by],
    ]) {
      context.beginPath();
      context.moveTo(x, y);
      context.lineTo(x - 5 * ratio, y + 5 * ratio);
      context.stroke();
    }
  }

  bracket(name: string, x: number, y: number, colour: string): void {
    const [cx, cy] = toCanvas(this.place, x, y);
    this.ring(cx, cy, BRACKET_PX * this.ratio, colour);
    this.words(name, cx + 9 * this.ratio, cy + 4 * this.ratio, colour);
  }

  outline(
    points: readonly number[],
    dx: number,
    dy: number,
    isClosed: boolean,
    colour: string,
    dash: number[] = [],
  ): void {
    const { context, ratio } = this;
    context.beginPath();
    for (let i = 0; i < points.length; i += 2) {
      const [x, y] = toCanvas(this.place, points[i] + dx, points[i + 1] + dy);
      if (i === 0) context.moveTo(x, y);
      else context.lineTo(x, y);
    }
    if (isClosed) context.closePath();
    context.setLineDash(dash.map((d) => d * ratio));
    for (const [stroke, width] of [
      ['#000000aa', 3],
      [colour, 1.3],
    ] as const) {
      context.strokeStyle = stroke;
      context.lineWidth = width * ratio;
      context.stroke();
    }
    context.setLineDash([]);
  }

  points(points: readonly number[], dx: number, dy: number, colour: string): void {
    const { context, ratio } = this;
    const r = CORNER_PX * ratio;
    context.fillStyle = colour;
    for (let i = 0; i < points.length; i += 2) {
      const [x, y] = toCanvas(this.place, points[i] + dx, points[i + 1] + dy);
      context.fillRect(x - r, y - r, 2 * r, 2 * r);
    }
  }

  private ring(x: number, y: number, radius: number, colour: string): void {
    const { context, ratio } = this;
    context.beginPath();
    context.arc(x, y, radius, 0, 2 * Math.PI);
    context.strokeStyle = '#000000aa';
    context.lineWidth = 3 * ratio;
    context.stroke();
    context.strokeStyle = colour;
    context.lineWidth = 1.5 * ratio;
    context.stroke();
  }
}
