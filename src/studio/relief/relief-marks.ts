/** What is drawn over the art on the Relief bench: the lamp, the brush, the section line, parts, lines under the hand. */
import type { OverlayColours } from '../surface/overlay';
import { toCanvas } from '../surface/view';

export interface MarkPlace {
  viewX: number;
  viewY: number;
  zoom: number;
}

export class ReliefMarks {
  constructor(
    private readonly context: CanvasRenderingContext2D,
    private readonly place: MarkPlace,
    private readonly ratio: number,
    private readonly colours: OverlayColours,
    private readonly font: string,
  ) {}

  lamp(x: number, y: number, heightPx: number, isPinned: boolean, colour: string): void {
    const { context, ratio } = this;
    const [cx, cy] = toCanvas(this.place, x, y);
    context.strokeStyle = colour;
    context.fillStyle = colour;
    context.lineWidth = ratio;
    context.beginPath();
    context.arc(cx, cy, 9 * ratio, 0, 2 * Math.PI);
    context.stroke();
    context.beginPath();
    context.arc(cx, cy, (isPinned ? 4 : 2) * ratio, 0, 2 * Math.PI);
    context.fill();
    this.words(`${Math.round(heightPx)} px high`, cx + 14 * ratio, cy + 4 * ratio, colour);
  }

  words(text: string, x: number, y: number, colour: string): void {
    const { context, ratio } = this;
    context.font = `${12 * ratio}px ${this.font}`;
    context.fillStyle = '#000000aa';
    context.fillText(text, x + ratio, y + ratio);
    context.fillStyle = colour;
    context.fillText(text, x, y);
  }

  brush(x: number, y: number, sizePx: number, hardness: number, whole: boolean): void {
    const { context, ratio } = this;
    const at = whole ? [Math.floor(x) + 0.5, Math.floor(y) + 0.5] : [x, y];
    const [cx, cy] = toCanvas(this.place, at[0], at[1]);
    const radius = (sizePx / 2) * this.place.zoom;
    for (const [r, colour] of [
      [radius, this.colours.line],
      [radius * hardness, `${this.colours.line}66`],
    ] as const) {
      if (r < 1.5 * ratio) continue;
      context.strokeStyle = '#00000099';
      context.lineWidth = 3 * ratio;
      context.beginPath();
      context.arc(cx, cy, r, 0, 2 * Math.PI);
      context.stroke();
      context.strokeStyle = colour;
      context.lineWidth = ratio;
      context.stroke();
    }
    if (radius < 3 * ratio) this.cross(cx, cy);
  }

  private cross(cx: number, cy: number): void {
    const { context, ratio } = this;
    context.strokeStyle = this.colours.line;
    context.lineWidth = ratio;
    context.beginPath();
    for (const [dx, dy] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ]) {
      context.moveTo(cx + dx * 4 * ratio, cy + dy * 4 * ratio);
      context.lineTo(cx + dx * 9 * ratio, cy + dy * 9 * ratio);
    }
    context.stroke();
  }

  /** A line under the hand, as wide as the brush where it is one. */
  trail(points: readonly number[], sizePx: number | null, colour: string): void {
    const { context, ratio } = this;
    if (points.length < 3) return;
    context.save();
    context.lineCap = 'round';
    context.lineJoin = 'round';
    context.lineWidth = sizePx === null ? 2 * ratio : Math.max(ratio, sizePx * this.place.zoom);
    context.strokeStyle = colour;
    context.beginPath();
    for (let k = 0; k + 2 < points.length; k += 3) {
      const [x, y] = toCanvas(this.place, points[k], points[k + 1]);
      if (k === 0) context.moveTo(x, y);
      context.lineTo(x, y);
    }
    context.stroke();
    context.restore();
  }

  polygon(points: readonly number[], x: number, y: number): void {
    const { context, ratio, colours } = this;
    if (points.length === 0) return;
    this.trail([...points, x, y, 1], null, colours.picked);
    context.fillStyle = colours.picked;
    for (let k = 0; k + 2 < points.length; k += 3) {
      const [cx, cy] = toCanvas(this.place, points[k], points[k + 1]);
      context.fillRect(cx - 3 * ratio, cy - 3 * ratio, 6 * ratio, 6 * ratio);
    }
  }

  section([ax, ay, bx, by]: readonly [number, number, number, number], isRow: boolean): void {
    const { context, ratio, colours } = this;
    const [x0, y0] = toCanvas(this.place, ax, ay);
    const [x1, y1] = toCanvas(this.place, bx, by);
    context.save();
    context.strokeStyle = isRow ? `${colours.picked}55` : colours.picked;
    context.lineWidth = ratio;
    context.setLineDash([6 * ratio, 4 * ratio]);
    context.beginPath();
    context.moveTo(x0, y0);
    context.lineTo(x1, y1);
    context.stroke();
    context.restore();
    if (isRow) return;
    context.strokeStyle = colours.picked;
    context.lineWidth = ratio;
    for (const [x, y] of [
      [x0, y0],
      [x1, y1],
    ]) {
      context.beginPath();
      context.arc(x, y, 4 * ratio, 0, 2 * Math.PI);
      context.stroke();
    }
  }

  wipeEdge(x: number, height: number, left: string, right: string): void {
    const { context, ratio, colours } = this;
    context.strokeStyle = colours.line;
    context.lineWidth = ratio;
    context.beginPath();
    context.moveTo(x + 0.5, 0);
    context.lineTo(x + 0.5, height);
    context.stroke();
    context.fillStyle = colours.line;
    context.fillRect(x - 4 * ratio, height / 2 - 14 * ratio, 8 * ratio, 28 * ratio);
    context.font = `${12 * ratio}px ${this.font}`;
    const { width } = context.measureText(left);
    this.words(left, x - width - 10 * ratio, height - 34 * ratio, colours.line);
    this.words(right, x + 10 * ratio, height - 34 * ratio, colours.line);
  }

  /** The parts as an overlay of the art's size. */
  overlay(picture: CanvasImageSource, width: number, height: number): void {
    const { context, place } = this;
    const [x, y] = toCanvas(place, 0, 0);
    context.save();
    context.imageSmoothingEnabled = false;
    context.globalAlpha = 0.55;
    context.drawImage(picture, x, y, width * place.zoom, height * place.zoom);
    context.restore();
  }
}
