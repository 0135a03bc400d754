/** Drawing over the stage: marks of our own in device pixels, at places of the scene. */
import type { Box } from '@/core/geometry/affine';
import type { Live } from '../store/live';
import { toCanvas } from './view';

/** Colours of the overlay, read once from the design tokens. */
export interface OverlayColours {
  picked: string;
  held: string;
  line: string;
  text: string;
  ground: string;
  /** What is probably a mistake. */
  warning: string;
}

export interface LightGlyph {
  colour: string;
  isPicked: boolean;
  throwsShadows: boolean;
  isLamp: boolean;
}

export class Overlay {
  constructor(
    readonly context: CanvasRenderingContext2D,
    readonly place: Pick<Live, 'viewX' | 'viewY' | 'zoom'>,
    readonly pixelRatio: number,
    readonly colours: OverlayColours,
    readonly font: string,
  ) {}

  at(x: number, y: number): [number, number] {
    return toCanvas(this.place, x, y);
  }

  private stroke(colour: string, width = 1, dash: number[] = []): void {
    const { context: c, pixelRatio } = this;
    c.strokeStyle = colour;
    c.lineWidth = width * pixelRatio;
    c.setLineDash(dash.map((d) => d * pixelRatio));
    c.stroke();
    c.setLineDash([]);
  }

  /** An ellipse, or the part of it between two angles. */
  ellipse(
    x: number,
    y: number,
    radiusX: number,
    radiusY: number,
    colour: string,
    dash: number[] = [],
    between: readonly [number, number] | null = null,
  ): void {
    const [cx, cy] = this.at(x, y);
    const { zoom } = this.place;
    const [from, to] = between ?? [0, 2 * Math.PI];
    this.context.beginPath();
    this.context.ellipse(cx, cy, radiusX * zoom, radiusY * zoom, 0, from, to);
    this.stroke(colour, 1, dash);
  }

  /** From here on nothing is drawn beyond an ellipse, or a slice of it. */
  clipTo(
    x: number,
    y: number,
    radiusX: number,
    radiusY: number,
    between: readonly [number, number] | null,
  ): void {
    const { context: c, place } = this;
    const [cx, cy] = this.at(x, y);
    c.beginPath();
    if (between) c.moveTo(cx, cy);
    c.ellipse(cx, cy, radiusX * place.zoom, radiusY * place.zoom, 0, ...(between ?? [0, 2 * Math.PI]));
    c.closePath();
    c.clip();
  }

  /** From here on nothing is drawn beyond a box. */
  clipToBox({ left, top, right, bottom }: Box): void {
    const [x0, y0] = this.at(left, top);
    const [x1, y1] = this.at(right, bottom);
    this.context.beginPath();
    this.context.rect(x0, y0, x1 - x0, y1 - y0);
    this.context.clip();
  }

  /** A thin line through points, x and y in turn. */
  polyline(
    points: ArrayLike<number>,
    closed: boolean,
    colour: string,
    width: number,
    dash: number[] = [],
  ): void {
    const { context: c } = this;
    c.beginPath();
    for (let i = 0; i < points.length; i += 2) {
      const [x, y] = this.at(points[i], points[i + 1]);
      if (i === 0) c.moveTo(x, y);
      else c.lineTo(x, y);
    }
    if (closed) c.closePath();
    this.stroke(colour, width, dash);
  }

  /** Thin lines, each by its ends. */
  segments(edges: ArrayLike<number>, colour: string, width: number, dash: number[] = []): void {
    const { context: c } = this;
    c.beginPath();
    for (let i = 0; i < edges.length; i += 4) {
      c.moveTo(...this.at(edges[i], edges[i + 1]));
      c.lineTo(...this.at(edges[i + 2], edges[i + 3]));
    }
    this.stroke(colour, width, dash);
  }

  path(points: readonly (readonly [number, number])[], closed: boolean, isPicked: boolean): void {
    const { context: c, colours } = this;
    const trace = () => {
      c.beginPath();
      points.forEach(([x, y], i) => (i === 0 ? c.moveTo(...this.at(x, y)) : c.lineTo(...this.at(x, y))));
      if (closed) c.closePath();
    };
    // A dark line beneath keeps it readable on bright art.
    trace();
    this.stroke(colours.ground, 2.5);
    trace();
    this.stroke(isPicked ? colours.picked : colours.line, 1.2, isPicked ? [] : [4, 3]);
  }

  pointMark(x: number, y: number, isPicked: boolean): void {
    const [cx, cy] = this.at(x, y);
    const r = 3 * this.pixelRatio;
    const { context: c, colours } = this;
    c.fillStyle = colours.ground;
    c.strokeStyle = isPicked ? colours.picked : colours.line;
    c.lineWidth = 1.2 * this.pixelRatio;
    c.beginPath();
    c.rect(Math.round(cx) - r, Math.round(cy) - r, 2 * r, 2 * r);
    c.fill();
    c.stroke();
  }

  ring(x: number, y: number): void {
    const [cx, cy] = this.at(x, y);
    const { context: c, colours } = this;
    c.beginPath();
    c.arc(cx, cy, 4.5 * this.pixelRatio, 0, 2 * Math.PI);
    c.fillStyle = colours.ground;
    c.fill();
    this.stroke(colours.picked, 1.4);
  }

  /** A place that has a colour: a patch of it within a ring. */
  patch(x: number, y: number, colour: string): void {
    const [cx, cy] = this.at(x, y);
    const { context: c, colours } = this;
    c.beginPath();
    c.arc(cx, cy, 7 * this.pixelRatio, 0, 2 * Math.PI);
    c.fillStyle = colour;
    c.fill();
    this.stroke(colours.ground, 3.6);
    this.stroke(colours.picked, 1.4);
  }

  /** A lozenge in the light's own colour, under a cap where it is a lamp; hollow with a bar where it throws no shadows. */
  glyph(x: number, y: number, { colour, isPicked, throwsShadows, isLamp }: LightGlyph): void {
    const [cx, cy] = this.at(x, y).map(Math.round);
    const { context: c, colours, pixelRatio } = this;
    const r = 6 * pixelRatio;
    c.beginPath();
    c.moveTo(cx, cy - r);
    c.lineTo(cx + r, cy);
    c.lineTo(cx, cy + r);
    c.lineTo(cx - r, cy);
    c.closePath();
    c.fillStyle = throwsShadows ? colour : colours.ground;
    c.fill();
    this.stroke(isPicked ? colours.picked : colours.ground, isPicked ? 3.4 : 3);
    this.stroke(throwsShadows ? colours.ground : colour, 1.3);
    if (isLamp) {
      c.beginPath();
      c.moveTo(cx - r, cy - r);
      c.lineTo(cx, cy - 1.8 * r);
      c.lineTo(cx + r, cy - r);
      this.stroke(colours.ground, 3.4);
      this.stroke(isPicked ? colours.picked : colour, 1.6);
    }
    if (throwsShadows) return;
    c.beginPath();
    c.moveTo(cx - r / 2, cy + r / 2);
    c.lineTo(cx + r / 2, cy - r / 2);
    this.stroke(colour, 1.3);
  }

  words(x: number, y: number, text: string, dx = 12, dy = -6, colour = this.colours.picked): void {
    const [cx, cy] = this.at(x, y);
    const { context: c, colours, pixelRatio } = this;
    c.font = `${11 * pixelRatio}px ${this.font}`;
    const width = c.measureText(text).width;
    const [left, base] = [cx + dx * pixelRatio, cy + dy * pixelRatio];
    c.globalAlpha = 0.75;
    c.fillStyle = colours.ground;
    c.fillRect(left - 4 * pixelRatio, base - 11 * pixelRatio, width + 8 * pixelRatio, 15 * pixelRatio);
    c.globalAlpha = 1;
    c.fillStyle = colour;
    c.fillText(text, left, base);
  }

  frame(x: number, y: number, width: number, height: number, label: string): void {
    const { context: c, colours, pixelRatio } = this;
    const [left, top] = this.at(x, y).map(Math.round);
    const [right, bottom] = this.at(x + width, y + height).map(Math.round);
    c.beginPath();
    c.rect(left - 0.5, top - 0.5, right - left + 1, bottom - top + 1);
    c.globalAlpha = 0.55;
    this.stroke(colours.text, 1);
    c.globalAlpha = 0.8;
    c.font = `${11 * pixelRatio}px ${this.font}`;
    c.fillStyle = colours.text;
    c.shadowColor = colours.ground;
    c.shadowBlur = 3 * pixelRatio;
    // Beyond the stage's upper edge the label stays within sight.
    c.fillText(label, Math.max(0, left) + 6 * pixelRatio, Math.max(0, top) + 15 * pixelRatio);
    c.shadowBlur = 0;
    c.globalAlpha = 1;
  }

  marquee(from: { x: number; y: number }, to: { x: number; y: number }): void {
    const [x0, y0] = this.at(from.x, from.y);
    const [x1, y1] = this.at(to.x, to.y);
    this.context.beginPath();
    this.context.rect(x0, y0, x1 - x0, y1 - y0);
    this.stroke(this.colours.picked, 1, [3, 3]);
  }

  /** The edge of the wipe, from top to bottom. */
  wipe(x: number, height: number, left: string, right: string): void {
    const { context: c, colours, pixelRatio } = this;
    c.beginPath();
    c.moveTo(x + 0.5, 0);
    c.lineTo(x + 0.5, height);
    this.stroke(colours.held, 1.5);
    c.fillStyle = colours.held;
    c.fillRect(x - 5 * pixelRatio, height / 2 - 14 * pixelRatio, 10 * pixelRatio, 28 * pixelRatio);
    c.font = `${11 * pixelRatio}px ${this.font}`;
    c.shadowColor = colours.ground;
    c.shadowBlur = 4 * pixelRatio;
    c.textAlign = 'right';
    c.fillText(left, x - 12 * pixelRatio, 20 * pixelRatio);
    c.textAlign = 'left';
    c.fillText(right, x + 12 * pixelRatio, 20 * pixelRatio);
    c.shadowBlur = 0;
  }
}
