/**
 * The whole scene in a corner of the stage, with the part that is looked at framed; there while the scene is much larger
 * than the view. Its picture is made anew when nothing changed for a while; a press in it goes there.
 */
import type { Box } from '@/core/geometry/affine';
import { MomentMaker } from '@/core/moment/moment-maker';
import type { Moment, MomentSprite, View } from '@/core/moment/moment';
import { NOTHING_PASSING } from '@/core/moment/passing';
import type { SceneDocument } from '@/core/scene/document';
import type { Renderer } from '@/gpu/renderer';
import type { Studio } from '../store/studio';
import type { CanvasSize } from '../surface/view';

/** Longest side, CSS px. */
const SIDE_PX = 168;
const MARGIN_PX = 12;
/** The scene must be so many times as wide or high as the view. */
const MUCH_LARGER = 2;
const QUIET_MS = 500;

export class MiniView {
  private picture: OffscreenCanvas | null = null;
  private whole: Box | null = null;
  private made: SceneDocument | null = null;
  private changedAt = 0;
  private seen: SceneDocument | null = null;
  private pulls = false;
  private readonly maker = new MomentMaker();

  constructor(private readonly studio: Studio) {}

  /** To be called at every frame of the screen. @returns whether a new picture was made */
  tend(renderer: Renderer, now: number): boolean {
    const { scenes, pictures, live } = this.studio;
    const scene = scenes.kept;
    if (scene !== this.seen) {
      this.seen = scene;
      this.changedAt = now;
    }
    if (scene === this.made || now - this.changedAt < QUIET_MS || scenes.isGesturing || !pictures.isComplete)
      return false;
    this.made = scene;
    const probe: View = { x: 0, y: 0, widthPx: 1, heightPx: 1, outputPerScenePx: 1 };
    const passing = { ...NOTHING_PASSING, unlit: true, relief: false };
    const { clockHours, seconds } = live.getState();
    const moment = this.maker.at(scene, clockHours, seconds, passing, probe);
    this.whole = contentBox(moment);
    this.picture = null;
    if (!this.whole) return true;
    const { left, top, right, bottom } = this.whole;
    const scale = SIDE_PX / Math.max(right - left, bottom - top);
    const view = {
      x: left,
      y: top,
      widthPx: Math.max(1, Math.round((right - left) * scale)),
      heightPx: Math.max(1, Math.round((bottom - top) * scale)),
      outputPerScenePx: scale,
    };
    const target = renderer.render({ ...moment, view }, pictures.source, { name: 'mini', isDrawnOnce: true });
    const canvas = new OffscreenCanvas(view.widthPx, view.heightPx);
    const pixels = new Uint8ClampedArray(renderer.read(target));
    canvas.getContext('2d')!.putImageData(new ImageData(pixels, view.widthPx, view.heightPx), 0, 0);
    this.picture = canvas;
    return true;
  }

  draw(
    context: CanvasRenderingContext2D,
    size: CanvasSize,
    ratio: number,
    line: string,
    picked: string,
  ): void {
    const at = this.place(size, ratio);
    if (!at || !this.picture || !this.whole) return;
    const { x, y, width, height, scale } = at;
    const { viewX, viewY, zoom } = this.studio.live.getState();
    context.imageSmoothingEnabled = false;
    context.globalAlpha = 0.9;
    context.drawImage(this.picture, x, y, width, height);
    context.globalAlpha = 1;
    context.lineWidth = ratio;
    context.strokeStyle = line;
    context.strokeRect(x - 0.5, y - 0.5, width + 1, height + 1);
    context.save();
    context.beginPath();
    context.rect(x, y, width, height);
    context.clip();
    context.strokeStyle = picked;
    context.lineWidth = 1.5 * ratio;
    context.strokeRect(
      x + (viewX - this.whole.left) * scale,
      y + (viewY - this.whole.top) * scale,
      (size.width / zoom) * scale,
      (size.height / zoom) * scale,
    );
    context.restore();
  }

  /** @returns whether the press was in the mini-view, and so is no other tool's */
  down(canvasX: number, canvasY: number, size: CanvasSize, ratio: number): boolean {
    const at = this.place(size, ratio);
    if (!at || canvasX < at.x || canvasX > at.x + at.width || canvasY < at.y || canvasY > at.y + at.height)
      return false;
    this.pulls = true;
    this.move(canvasX, canvasY, size, ratio);
    return true;
  }

  /** @returns whether the view is being pulled */
  move(canvasX: number, canvasY: number, size: CanvasSize, ratio: number): boolean {
    const at = this.pulls ? this.place(size, ratio) : null;
    if (!at || !this.whole) return false;
    const { live } = this.studio;
    const { zoom } = live.getState();
    live.setState({
      viewX: this.whole.left + (canvasX - at.x) / at.scale - size.width / zoom / 2,
      viewY: this.whole.top + (canvasY - at.y) / at.scale - size.height / zoom / 2,
    });
    return true;
  }

  up(): boolean {
    const was = this.pulls;
    this.pulls = false;
    return was;
  }

  /** Where it stands on the canvas, device px, and how many of them a scene pixel has; null where it is not there. */
  private place({ width, height }: CanvasSize, ratio: number) {
    if (!this.whole || !this.picture) return null;
    const { zoom } = this.studio.live.getState();
    const [w, h] = [this.whole.right - this.whole.left, this.whole.bottom - this.whole.top];
    if (w < (MUCH_LARGER * width) / zoom && h < (MUCH_LARGER * height) / zoom) return null;
    const [ownWidth, ownHeight] = [this.picture.width * ratio, this.picture.height * ratio];
    const margin = MARGIN_PX * ratio;
    return {
      x: width - ownWidth - margin,
      y: margin,
      width: ownWidth,
      height: ownHeight,
      scale: ownWidth / w,
    };
  }
}

/** Where a sprite stands; of a chunk of tiles only the cells that hold any. */
function filledBox({ box, grid }: MomentSprite): Box | null {
  if (!grid) return box;
  const { cells, columns, cellWidthPx, cellHeightPx } = grid;
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const [i, cell] of cells.entries()) {
    if (cell === 0) continue;
    const [x, y] = [i % columns, Math.floor(i / columns)];
    left = Math.min(left, x);
    right = Math.max(right, x + 1);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y + 1);
  }
  if (right < left) return null;
  return {
    left: box.left + left * cellWidthPx,
    top: box.top + top * cellHeightPx,
    right: box.left + right * cellWidthPx,
    bottom: box.top + bottom * cellHeightPx,
  };
}

/** What holds all that stands in the scene, overlays left out; null where nothing does. */
function contentBox({ planes, gate }: Moment): Box | null {
  const boxes = planes.flatMap(({ overlay, layers }) =>
    overlay ? [] : layers.flatMap(({ sprites }) => sprites.flatMap((sprite) => filledBox(sprite) ?? [])),
  );
  if (boxes.length === 0) return null;
  const sum = { ...gate };
  for (const box of boxes) {
    sum.left = Math.min(sum.left, box.left);
    sum.top = Math.min(sum.top, box.top);
    sum.right = Math.max(sum.right, box.right);
    sum.bottom = Math.max(sum.bottom, box.bottom);
  }
  return sum;
}
